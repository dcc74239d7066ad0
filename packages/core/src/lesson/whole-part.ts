import type { MaterialPart, MaterialPartKind } from './lesson.ts';

export const materialKinds = ['film', 'sound', 'document', 'deck', 'picture'] as const;
export type MaterialKind = (typeof materialKinds)[number];
/** A picture stands in questions and slides and is no part by itself. */
export type PartMaterialKind = Exclude<MaterialKind, 'picture'>;

const partKindOf: Readonly<Record<PartMaterialKind, MaterialPartKind>> = {
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
  { id, title, kind, lengthMs }: { id: string; title: string; kind: PartMaterialKind; lengthMs: number },
  partId: string,
): MaterialPart {
  return { id: partId, kind: partKindOf[kind], title, materialId: id, inMs: 0, outMs: lengthMs, stops: [] };
}
