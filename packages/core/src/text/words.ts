const wordSegmenter = new Intl.Segmenter('und', { granularity: 'word' });

/** Pieces of a text that end at white space; the segmenter's time grows with the square of what it is given at once. */
const pieces = /[\s\S]{1,500}(?:\s|$)|\S+/g;

/** The words of a text in order, also of scripts that write no spaces between them. */
export function wordsOf(text: string): string[] {
  const words: string[] = [];
  for (const [piece] of text.matchAll(pieces))
    for (const { segment, isWordLike } of wordSegmenter.segment(piece)) if (isWordLike) words.push(segment);
  return words;
}
