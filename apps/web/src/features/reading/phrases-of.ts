import type { BlockAnchor } from '@semita/core/elements';

/** The words at which stops stand, by their blocks. */
export function phrasesOf(
  stops: readonly { readonly anchor?: BlockAnchor | undefined }[],
): ReadonlyMap<string, readonly string[]> {
  const phrases = new Map<string, string[]>();
  for (const { anchor } of stops)
    if (anchor?.blockId && anchor.phrase)
      phrases.set(anchor.blockId, [...(phrases.get(anchor.blockId) ?? []), anchor.phrase]);
  return phrases;
}
