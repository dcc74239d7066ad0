import { wordsOf } from './words.ts';

/** Silent reading of English prose by adults, words a minute. Brysbaert 2019, Journal of Memory and Language 109, 104047. */
export const adultWordsPerMinute = 238;

/** A look at a picture or a diagram. Common practice, no source. */
const pictureMs = 8_000;

/** Nothing is taken in faster than this. Common practice, no source. */
const shortestMs = 2_000;

/**
 * How long an adult takes to read a piece.
 * @param text plain text; its words are counted as the script of the text divides them
 * @param pictureCount pictures in it
 * @returns whole milliseconds, at least two seconds
 */
export function readingTimeMs(text: string, pictureCount = 0): number {
  const readMs = (wordsOf(text).length / adultWordsPerMinute) * 60_000;
  return Math.max(shortestMs, Math.round(readMs + pictureCount * pictureMs));
}
