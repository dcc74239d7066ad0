const wordSegmenter = new Intl.Segmenter('und', { granularity: 'word' });

/** The words of a text in order, also of scripts that write no spaces between them. */
export function wordsOf(text: string): string[] {
  const words: string[] = [];
  for (const { segment, isWordLike } of wordSegmenter.segment(text)) if (isWordLike) words.push(segment);
  return words;
}
