import { syllable } from 'syllable';
import { wordsOf } from './words.ts';

export interface ReadingLevel {
  readonly words: number;
  /** Flesch Reading Ease: about 0 (hard) to 100 (easy). */
  readonly ease: number;
  /** Flesch–Kincaid grade: years of school in the United States. */
  readonly grade: number;
}

/** The commonest words of English, from memory, no source; about a third of running text, and hardly any of others. */
const commonEnglish = new Set('the of and to a in is it that for was on with as are be by at this from'.split(' '));
const minCommonShare = 0.15;

/** Fewer words say nothing. Common practice, no source. */
const fewestWords = 50;

/**
 * How hard an English text is to read.
 * @param sentences running text, one sentence or more in each; headings and tables left out
 * @returns null for other languages, whose syllables mean other things, and for texts too short to say
 *
 * Flesch 1948, Journal of Applied Psychology 32, 221–233: 206.835 − 1.015 × words ÷ sentences − 84.6 × syllables ÷ words.
 * Kincaid et al. 1975, Research Branch Report 8-75: 0.39 × words ÷ sentences + 11.8 × syllables ÷ words − 15.59.
 */
export function readingLevel(sentences: readonly string[]): ReadingLevel | null {
  const words = sentences.flatMap(wordsOf).filter((word) => /\p{L}/u.test(word));
  if (words.length < fewestWords) return null;
  const syllablesOf = rememberedSyllables();
  const common = words.filter((word) => commonEnglish.has(word.toLowerCase())).length;
  if (common / words.length < minCommonShare) return null;
  const syllables = words.reduce((sum, word) => sum + syllablesOf(word), 0);
  const perSentence = words.length / countSentences(sentences);
  const perWord = syllables / words.length;
  return {
    words: words.length,
    ease: 206.835 - 1.015 * perSentence - 84.6 * perWord,
    grade: 0.39 * perSentence + 11.8 * perWord - 15.59,
  };
}

/** A text says most of its words again and again. */
function rememberedSyllables(): (word: string) => number {
  const counts = new Map<string, number>();
  return (word) => {
    const before = counts.get(word);
    if (before !== undefined) return before;
    const count = Math.max(1, syllable(word));
    counts.set(word, count);
    return count;
  };
}

const sentenceSegmenter = new Intl.Segmenter('en', { granularity: 'sentence' });

function countSentences(texts: readonly string[]): number {
  let count = 0;
  for (const text of texts)
    for (const { segment } of sentenceSegmenter.segment(text)) if (/\p{L}/u.test(segment)) count++;
  return Math.max(1, count);
}
