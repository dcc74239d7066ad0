import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { questionFaults } from '../checks/question-faults.ts';
import { everyKind } from '../examples/every-kind.ts';
import { isOpinion, isTeacherMarked, type Question } from '../question/question.ts';
import { isBlank, isFitting, type Response } from '../question/response.ts';
import { correctResponse } from './correct-response.ts';
import { markResponse } from './mark-response.ts';
import { verdictsOf } from './verdicts.ts';

const questions = Object.values(everyKind);
const marked = questions.filter((question) => !isOpinion(question) && !isTeacherMarked(question.kind));

test.each(questions)('$kind: a whole question has no faults, and one without a stem has', (question) => {
  expect(questionFaults(question)).toEqual([]);
  expect(questionFaults({ ...question, stem: ' ' })).toContain('stemMissing');
});

describe.each(marked)('$kind', (question) => {
  const key = correctResponse(question) as Response;

  test('its key fits, is not blank and earns all points', () => {
    expect(isFitting(question, key)).toBe(true);
    expect(isBlank(key)).toBe(false);
    expect(markResponse(question, key)).toBe(question.points);
  });

  test('of its key every piece is right, and whatever earns less than all has a piece that is not, or that is missing', () => {
    const whole = verdictsOf(question, key);
    expect(Object.values(whole)).not.toContain(false);
    fc.assert(
      fc.property(responseTo(question), (response) => {
        const verdicts = Object.values(verdictsOf(question, response));
        if (verdicts.length === 0 || markResponse(question, response) === question.points) return;
        expect(verdicts.includes(false) || verdicts.length < Object.keys(whole).length).toBe(true);
      }),
    );
  });

  test('a response to another kind neither fits nor earns', () => {
    for (const other of questions) {
      const response = correctResponse(other);
      if (!response || response.kind === key.kind) continue;
      expect(isFitting(question, response as Response)).toBe(false);
      expect(markResponse(question, response as Response)).toBe(0);
    }
  });

  test('any response earns whole points within bounds, marking twice is marking once, and order is nothing', () => {
    fc.assert(
      fc.property(responseTo(question), fc.integer({ min: 0, max: 10_000 }), (response, points) => {
        const asked = { ...question, points };
        const earned = markResponse(asked, response) as number;
        expect(Number.isInteger(earned) && earned >= 0 && earned <= points).toBe(true);
        expect(markResponse(asked, response)).toBe(earned);
        expect(markResponse(turnedRound(asked), response)).toBe(earned);
      }),
    );
  });
});

test('two points in one area find it once, and the other is still to be found', () => {
  const at = (...points: [number, number][]) => verdictsOf(everyKind.selectPoint, { kind: 'points', points });
  expect(at([1_000, 1_000], [1_000, 1_000])).toEqual({ 0: true, 1: false });
  const [left, right] = (correctResponse(everyKind.selectPoint) as Extract<Response, { kind: 'points' }>).points;
  expect(at([...(left as [number, number])], [...(right as [number, number])])).toEqual({ 0: true, 1: true });
  expect(at([0, 0])).toEqual({ 0: false });
});

test.each(questions.filter(({ kind }) => isTeacherMarked(kind)))('$kind waits for a teacher', (question) => {
  const text: Response = { kind: 'extendedText', text: 'Because.' };
  expect(markResponse(question, text)).toBeNull();
  expect(markResponse({ ...question, points: 0 }, text)).toBe(0);
  expect(correctResponse(question)).toBeNull();
});

/** The same question with everything a student sees in another order; not what `order` has in order. */
function turnedRound(question: Question): Question {
  switch (question.kind) {
    case 'choice':
      return { ...question, options: question.options.toReversed() };
    case 'gapMatch':
      return { ...question, words: question.words.toReversed() };
    case 'graphicGapMatch':
      return { ...question, words: question.words.toReversed(), areas: question.areas.toReversed() };
    case 'match':
      return { ...question, sources: question.sources.toReversed(), targets: question.targets.toReversed() };
    case 'associate':
      return { ...question, items: question.items.toReversed() };
    default:
      return question;
  }
}

function some<T>(of: readonly T[]): fc.Arbitrary<T[]> {
  return fc.shuffledSubarray([...of]);
}

const idsOf = (of: readonly { readonly id: string }[]) => of.map(({ id }) => id);

function placed(places: readonly string[], words: readonly string[]): fc.Arbitrary<Response> {
  return fc.tuple(some(places), some(words)).map(([at, what]) => ({
    kind: 'gaps',
    gaps: Object.fromEntries(at.slice(0, what.length).map((place, index) => [place, what[index] as string])),
  }));
}

/** Any response that fits a question. */
function responseTo(question: Question): fc.Arbitrary<Response> {
  switch (question.kind) {
    case 'choice':
      return some(idsOf(question.options)).map((optionIds) => ({ kind: 'choice', optionIds }));
    case 'hottext':
      return some(idsOf(question.words)).map((optionIds) => ({ kind: 'choice', optionIds }));
    case 'hotspot':
      return some(idsOf(question.areas)).map((optionIds) => ({ kind: 'choice', optionIds }));
    case 'inlineChoice':
      return fc
        .record(Object.fromEntries(question.gaps.map(({ id, options }) => [id, fc.constantFrom(...idsOf(options))])))
        .map((gaps) => ({ kind: 'gaps', gaps }));
    case 'gapMatch':
      return placed(idsOf(question.gaps), idsOf(question.words));
    case 'graphicGapMatch':
      return placed(idsOf(question.areas), idsOf(question.words));
    case 'textEntry':
      return fc.string().map((text) => ({ kind: 'gaps', gaps: { t1: text } }));
    case 'numeric':
      return fc
        .oneof(fc.string(), fc.double().map(String), fc.constant('3.23 kN'))
        .map((text) => ({ kind: 'number', text }));
    case 'order':
      return fc
        .shuffledSubarray(idsOf(question.items), { minLength: question.items.length })
        .map((itemIds) => ({ kind: 'order', itemIds }));
    case 'match':
      return fc.tuple(some(idsOf(question.sources)), some(idsOf(question.targets))).map(([left, right]) => ({
        kind: 'pairs',
        pairs: left.slice(0, right.length).map((id, index) => [id, right[index] as string] as const),
      }));
    case 'associate':
      return some(idsOf(question.items)).map((ids) => ({
        kind: 'pairs',
        pairs: ids.flatMap((id, index) => (index % 2 === 1 ? [[ids[index - 1] as string, id] as const] : [])),
      }));
    case 'selectPoint':
      return fc
        .array(fc.tuple(fc.integer({ min: 0, max: 10_000 }), fc.integer({ min: 0, max: 10_000 })), { maxLength: 2 })
        .map((points) => ({ kind: 'points', points }));
    default:
      return fc.integer({ min: 0, max: 10 }).map((value) => ({ kind: 'scale', value }));
  }
}
