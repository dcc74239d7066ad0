/** A place of a lesson, as a link names it. */
export interface LinkedPlace {
  readonly partId: string;
  readonly atMs: number;
}

/** Where an assignment is walked, from a place on. */
export const placeLink = (assignmentId: string, { partId, atMs }: LinkedPlace): string =>
  `/walk/${assignmentId}?${new URLSearchParams({ part: partId, at: String(Math.round(atMs)) })}`;

/** The place that an address names; null where it names none. */
export function placeOf(search: URLSearchParams): LinkedPlace | null {
  const [partId, at] = [search.get('part'), search.get('at')];
  const atMs = Number(at);
  return partId && at !== null && Number.isFinite(atMs) && atMs >= 0 ? { partId, atMs } : null;
}
