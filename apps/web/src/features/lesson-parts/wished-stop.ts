/**
 * Where a stop is wished for, as another page hands it to the desk. It goes with the step there and not in the address:
 * an address can be sent by anybody, and opening one must change no lesson.
 */
export interface WishedStop {
  readonly partId: string;
  readonly atMs: number;
}

export const withWish = (wish: WishedStop) => ({ wishedStop: wish });

/** What was handed on, if anything was. */
export function wishedStop(state: unknown): WishedStop | null {
  if (typeof state !== 'object' || state === null || !('wishedStop' in state)) return null;
  return (state as ReturnType<typeof withWish>).wishedStop;
}
