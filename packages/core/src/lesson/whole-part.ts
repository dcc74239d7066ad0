import type { Part, PartKind } from './lesson.ts';

export type MaterialKind = 'film' | 'sound' | 'document' | 'deck';

const partKindOf: Readonly<Record<MaterialKind, PartKind>> = {
  film: 'clip',
  sound: 'clip',
  document: 'reading',
  deck: 'deck',
};

/**
 * A part over the whole of a material, without stops.
 * @param material one that is ready; its length in ms of the part's axis, at least 1
 */
export function wholePart(
  { id, title, kind, lengthMs }: { id: string; title: string; kind: MaterialKind; lengthMs: number },
  partId: string,
): Part {
  return { id: partId, kind: partKindOf[kind], title, materialId: id, inMs: 0, outMs: lengthMs, stops: [] };
}
