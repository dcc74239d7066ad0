import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cueWords } from '../captions/caption-cue.ts';
import { readCaptions } from '../captions/read-captions.ts';
import { readQuestions } from '../question/notation.ts';
import { withoutLineEnds, withoutStretches, withoutTags } from './linear.ts';
import { plainWords } from './plain-words.ts';

test('stretches and line ends go as the expressions they replace say', () => {
  const text = fc.string({ unit: fc.constantFrom('<', '>', 'a', ' ', '\n'), maxLength: 60 });
  fc.assert(
    fc.property(text, (words) => {
      expect(withoutTags(words)).toBe(words.replace(/<[^>]*>/g, ''));
      expect(withoutStretches(words, 'a', ' ')).toBe(words.replace(/a[^ ]* /g, ''));
      expect(withoutLineEnds(words)).toBe(words.replace(/ +(?=\n|$)/g, ''));
    }),
  );
});

/** How much longer twice the text takes, from three doublings; the best of three times each, so that noise does not count. */
function growth(work: (text: string) => unknown, attack: (count: number) => string, start: number): number {
  const timeOf = (count: number) => {
    const text = attack(count);
    return Math.min(
      ...Array.from({ length: 3 }, () => {
        const before = performance.now();
        work(text);
        return performance.now() - before;
      }),
    );
  };
  return (timeOf(start * 8) / Math.max(timeOf(start), 0.1)) ** (1 / 3);
}

const repeat = (piece: string) => (count: number) => piece.repeat(count);
const questions = (text: string) => readQuestions(text, () => 'id');
const captions = (text: string) => readCaptions(new TextEncoder().encode(text));
const srt = (line: string) => `1\n00:00:01,000 --> 00:00:02,000\n${line}\n`;

describe('whatever stands in a text of another, twice of it takes about twice the time', () => {
  test.each<[string, (text: string) => unknown, (count: number) => string]>([
    ['openings of tags in a cue', cueWords, repeat('<')],
    ['openings of tags in captions', captions, (count) => srt('<'.repeat(count))],
    ['openings of fonts in captions', captions, (count) => srt('<font'.repeat(count))],
    ['openings of commands in captions', captions, (count) => srt('{\\'.repeat(count))],
    ['spaces before an arrow of times', captions, (count) => `${'0'.repeat(count)} --> ${' '.repeat(count)}x\n`],
    ['brackets in a stem', plainWords, repeat('[')],
    ['brackets without their ends in a stem', plainWords, repeat('[a](')],
    ['openings of formulas in a stem', plainWords, repeat('\\frac{')],
    ['openings of words in formulas in a stem', plainWords, repeat('\\mathrm{')],
    ['signs in a stem', plainWords, repeat('_#*` ')],
    ['spaces in a number to be typed', questions, (count) => `How many?\n= 5${' '.repeat(count)}x±`],
    ['digits in a number to be typed', questions, (count) => `How many?\n= ${'5'.repeat(count)}x±`],
    ['spaces in an option', questions, (count) => `Which?\n- [x] a${' '.repeat(count)}\u2028b`],
    ['spaces before an arrow', questions, (count) => `Which?\n- a${' '.repeat(count)}b\n- c -> d`],
    ['spaces in points', questions, (count) => `Which? (${'1 '.repeat(count)}\n- [x] a`],
    ['spaces before a line', questions, (count) => `Which?\n${' '.repeat(count)}a\n- [x] a`],
    ['brackets of gaps', questions, (count) => `Which [${'['.repeat(count)}`],
  ])('%s', (_, work, attack) => {
    // What grows with the square does so every time; a busy machine only now and then.
    const isLinear = () => growth(work, attack, 4_000) < 3;
    expect(isLinear() || isLinear() || isLinear()).toBe(true);
  });
});
