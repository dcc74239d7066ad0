import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { everyKind } from '../../examples/every-kind.ts';
import { correctResponse } from '../../marking/correct-response.ts';
import { markResponse } from '../../marking/mark-response.ts';
import type { Question } from '../../question/question.ts';
import type { Response } from '../../question/response.ts';
import { plainProse } from '../../test/qti/plain-prose.ts';
import { faultsByRules } from '../../test/qti/rules.ts';
import { type QtiValues, scoreByRules } from '../../test/qti/score-by-rules.ts';
import { findWithin, type XmlElement } from '../xml-tree.ts';
import { toQtiItem } from './write-item.ts';

const size = { width: 10_000, height: 10_000 };
const write = (question: Question): XmlElement =>
  toQtiItem(question, question.id, { prose: plainProse, sizeOf: () => size }).item;

describe.each(Object.values(everyKind).map((question) => [question.kind, question as Question] as const))(
  '%s',
  (_, question) => {
    test('is written by the rules of the standard', () => {
      expect(faultsByRules(write(question))).toEqual([]);
    });

    test('declares every response it asks for, and every outcome it sets', () => {
      const item = write(question);
      const declared = new Set(
        findWithin(item, ({ name }) => name.endsWith('-declaration')).map(({ attributes }) => attributes.identifier),
      );
      for (const { attributes } of findWithin(item, () => true))
        for (const name of ['response-identifier', 'outcome-identifier'])
          if (attributes[name] !== undefined) expect(declared).toContain(attributes[name]);
      const set = findWithin(item, ({ name }) => name === 'qti-set-outcome-value' || name === 'qti-variable');
      for (const { attributes } of set) expect(declared).toContain(attributes.identifier);
    });
  },
);

/** The same response in QTI's terms. */
function toQti(question: Question, response: Response): Record<string, QtiValues> {
  const sole = (...values: string[]) => ({ RESPONSE: values });
  switch (response.kind) {
    case 'choice':
      return sole(...response.optionIds);
    case 'gaps':
      return question.kind === 'gapMatch' || question.kind === 'graphicGapMatch'
        ? sole(...Object.entries(response.gaps).map(([placeId, wordId]) => `${wordId} ${placeId}`))
        : Object.fromEntries(Object.entries(response.gaps).map(([gapId, given]) => [gapId, [given]]));
    case 'number':
      return sole(response.text);
    case 'order':
      return sole(...response.itemIds);
    case 'pairs':
      return sole(...response.pairs.map((pair) => pair.join(' ')));
    case 'points':
      return sole(...response.points.map((point) => point.join(' ')));
    case 'scale':
      return sole(String(response.value));
    default:
      return {};
  }
}

const some = (ids: readonly string[]) => fc.subarray([...ids]);
const named = (items: readonly { readonly id: string }[]) => items.map(({ id }) => id);

/** Any response a student could give to a question that a program marks. */
function anyResponse(question: Question): fc.Arbitrary<Response> {
  const place = (places: readonly { id: string }[], words: readonly { id: string }[]): fc.Arbitrary<Response> =>
    fc.shuffledSubarray(named(words), { maxLength: places.length }).map((given) => ({
      kind: 'gaps',
      gaps: Object.fromEntries(given.map((wordId, index) => [places[index]?.id ?? '', wordId])),
    }));
  switch (question.kind) {
    case 'choice':
      return some(named(question.options)).map((optionIds) => ({ kind: 'choice', optionIds }));
    case 'hotspot':
      return some(named(question.areas)).map((optionIds) => ({ kind: 'choice', optionIds }));
    case 'hottext':
      return some(named(question.words.filter(({ standing }) => standing !== 'plain'))).map((optionIds) => ({
        kind: 'choice',
        optionIds,
      }));
    case 'inlineChoice':
      return fc.tuple(...question.gaps.map(({ options }) => fc.constantFrom(...named(options)))).map((given) => ({
        kind: 'gaps',
        gaps: Object.fromEntries(given.map((id, i) => [question.gaps[i]?.id ?? '', id])),
      }));
    case 'textEntry':
      return fc
        .constantFrom('SECRET thrust', 'secret PUSH', 'something else')
        .map((text) => ({ kind: 'gaps', gaps: { t1: text } }));
    case 'gapMatch':
      return place(question.gaps, question.words);
    case 'graphicGapMatch':
      return place(question.areas, question.words);
    case 'order':
      return fc
        .shuffledSubarray(named(question.items), { minLength: question.items.length })
        .map((itemIds) => ({ kind: 'order', itemIds }));
    case 'match':
      return fc
        .tuple(...question.sources.map(() => fc.constantFrom(...named(question.targets))))
        .map((right) => ({ kind: 'pairs', pairs: right.map((id, i) => [question.sources[i]?.id ?? '', id] as const) }));
    case 'associate':
      return fc.shuffledSubarray(named(question.items), { minLength: 4 }).map(([a = '', b = '', c = '', d = '']) => ({
        kind: 'pairs',
        pairs: [
          [a, b],
          [c, d],
        ],
      }));
    case 'selectPoint':
      return fc
        .array(fc.tuple(fc.nat(10_000), fc.nat(10_000)), { maxLength: 2 })
        .map((points) => ({ kind: 'points', points }));
    case 'numeric':
      return fc
        .double({ min: 3.1, max: 3.4, noNaN: true })
        .map((value) => ({ kind: 'number', text: value.toFixed(5) }));
    case 'slider':
      return fc.integer({ min: 0, max: 10 }).map((value) => ({ kind: 'scale', value }));
    default:
      throw new Error(`Nobody marks ${question.kind}`);
  }
}

const worths = everyKind.choice.options.map((option, index) => ({ ...option, worth: [300, -100, 200][index] ?? 0 }));
const marked: readonly (readonly [string, Question])[] = [
  ...(
    [
      'choice',
      'inlineChoice',
      'gapMatch',
      'textEntry',
      'match',
      'associate',
      'hottext',
      'hotspot',
      'selectPoint',
      'graphicGapMatch',
      'slider',
    ] as const
  ).map((kind) => [kind, everyKind[kind]] as const),
  ['pick one', { ...everyKind.choice, multiple: false, options: everyKind.choice.options.slice(0, 2) }],
  ['options of their own worth', { ...everyKind.choice, options: worths, bounds: { lower: 50, upper: 400 } }],
  ['numeric', { ...everyKind.numeric, unit: '', unitNeeded: false }],
  ['order', { ...everyKind.order, scoring: 'exact' }],
];

describe('another program that keeps to the standard marks as we do', () => {
  test.each(marked)('%s', (_, question) => {
    const item = write(question);
    const score = (response: Response) => Math.round(scoreByRules(item, toQti(question, response)) * 100);
    fc.assert(
      fc.property(anyResponse(question), (response) => {
        expect(score(response)).toBe(markResponse(question, response));
      }),
    );
    expect(score(correctResponse(question) as Response)).toBe(question.points);
  });
});
