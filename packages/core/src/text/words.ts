const wordSegmenter = new Intl.Segmenter('und', { granularity: 'word' });

/** Pieces of a text that end at white space; the segmenter's time grows with the square of what it is given at once. */
const pieces = /[\s\S]{1,100}(?:\s|$)|\S+/g;

const isAscii = (text: string): boolean => !/[^\0-\x7f]/.test(text);

/**
 * Words of ASCII text as Unicode divides it (UAX #29, word boundary rules WB5 to WB13b), a tenth of the segmenter's
 * time: letters, digits and low lines, with points, colons and apostrophes inside, and commas and semicolons between digits.
 */
const asciiWords = /\w+(?:(?:(?<=[A-Za-z])['.:](?=[A-Za-z])|(?<=\d)['.,;](?=\d))\w+)*/g;

/** The words of a text in order, also of scripts that write no spaces between them. */
export function wordsOf(text: string): string[] {
  const words: string[] = [];
  for (const [piece] of text.matchAll(pieces)) {
    if (isAscii(piece)) {
      for (const [word] of piece.matchAll(asciiWords)) if (word !== '_') words.push(word);
    } else for (const { segment, isWordLike } of wordSegmenter.segment(piece)) if (isWordLike) words.push(segment);
  }
  return words;
}
