/** Whether a window's end lies in a film of this length, in ms; with half a second of grace, because containers state lengths with a frame's error. */
export function isWithinFilm(outMs: number, lengthMs: number): boolean {
  return outMs <= lengthMs + 500;
}
