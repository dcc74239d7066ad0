import { describe, expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import type { EventBody } from '../attempt/attempt-event.ts';
import { type AttemptState, beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms, type Terms } from '../attempt/terms.ts';
import { everyKind } from '../examples/every-kind.ts';
import { lessonOf } from '../examples/kinds-lesson.ts';
import { learnerView } from '../learner/learner-view.ts';
import { applyKeyChanges } from '../own-lesson/apply-key-changes.ts';
import { createContext } from '../own-lesson/create-context.ts';
import type { Question } from '../question/question.ts';
import type { Response } from '../question/response.ts';
import { createSitting, pickOne } from '../test/bridge-lesson.ts';
import { progressOf } from '../walk/progress.ts';
import { takeIn } from './take-in.ts';

const startAt = 1_000_000;
const right: Response = { kind: 'choice', optionIds: ['o-compression'] };
const wrong: Response = { kind: 'choice', optionIds: ['o-tension'] };

function student(questions: readonly Question[], terms: Partial<Terms> = {}) {
  const lesson = lessonOf(questions);
  const context = createContext(lesson, { ...defaultTerms, ...terms });
  const own = createSitting('a', startAt);
  const teacher = createSitting('teacher', startAt);
  let state: AttemptState = beginAttempt({ begunAt: startAt, secret: 'of a test' });
  const take = (body: EventBody, when: number, from = own) => {
    const result = takeIn(context, state, from(body as never, when));
    state = result.state;
    return result.outcome.kind === 'refused' ? result.outcome.reason : result.outcome.kind;
  };
  return {
    do: (body: EventBody, seconds = 0) => take(body, startAt + seconds * 1_000),
    teach: (body: EventBody, seconds = 0) => take(body, startAt + seconds * 1_000, teacher),
    answer: (responses: Record<string, Response>, seconds = 0) =>
      take({ type: 'answered', stopId: 'stop', responses }, startAt + seconds * 1_000),
    stop: () => state.stops.stop,
    answerTo: (questionId: string) => state.stops.stop?.answers[questionId],
    view: () => learnerView(lesson, state, terms, allShown),
    progress: () => progressOf(lesson, state),
  };
}
const reach = { type: 'reachedStop', stopId: 'stop' } as const;
const begin = (questionId: string) => ({ type: 'began', stopId: 'stop', questionId }) as const;
const hint = { type: 'hintTaken', stopId: 'stop', questionId: 'q-one' } as const;
const timed: Question = { ...pickOne, timeLimitMs: 60_000 };
const second: Question = { ...everyKind.extendedText, id: 'q-words' };

describe('a timed question', () => {
  const shownOf = (walk: ReturnType<typeof student>, questionId: string) => {
    const stop = walk.view().lesson.parts[0]?.stops[0];
    return stop?.kind === 'checkpoint' ? stop.questions.find(({ id }) => id === questionId) : undefined;
  };

  test('shows its words when its time begins, and not before', () => {
    const walk = student([timed, second]);
    walk.do(reach);
    expect(shownOf(walk, 'q-one')).toEqual({
      ...{ id: 'q-one', stem: '', points: 200, timeLimitMs: 60_000, kind: 'sealed', of: 'choice' },
    });
    expect(JSON.stringify(walk.view())).not.toContain(timed.stem);
    expect(shownOf(walk, 'q-words')?.kind).toBe('extendedText');
    expect(walk.do(begin('q-one'), 5)).toBe('taken');
    expect(shownOf(walk, 'q-one')?.stem).toBe(timed.stem);
  });

  test('ends alone: what is half written beside it goes on', () => {
    const walk = student([timed, second]);
    walk.do(reach);
    walk.do(begin('q-one'), 5);
    walk.do(
      { type: 'draftSaved', stopId: 'stop', questionId: 'q-words', response: { kind: 'extendedText', text: 'Half' } },
      30,
    );
    expect(walk.do({ type: 'timeUp', stopId: 'stop', questionId: 'q-one', response: wrong }, 65)).toBe('taken');
    expect(walk.stop()?.phase).toBe('open');
    expect(walk.answerTo('q-one')?.response).toEqual(wrong);
    expect(walk.stop()?.drafts['q-words']).toEqual({ kind: 'extendedText', text: 'Half' });
    expect(walk.answer({ 'q-words': { kind: 'extendedText', text: 'Whole' } }, 900)).toBe('taken');
    expect(walk.stop()?.phase).toBe('answered');
  });

  test('what was written in time counts, what came later does not, and nothing begun is handed in blank', () => {
    const walk = student([timed]);
    walk.do(reach);
    walk.do(begin('q-one'), 0);
    walk.do({ type: 'draftSaved', stopId: 'stop', questionId: 'q-one', response: wrong }, 50);
    expect(walk.do({ type: 'draftSaved', stopId: 'stop', questionId: 'q-one', response: right }, 80)).toBe('timeUp');
    expect(walk.answer({ 'q-one': right }, 90)).toBe('taken');
    expect(walk.answerTo('q-one')?.response).toEqual(wrong);
  });

  test('passing and opening again gives no new time, no free hint and no new tries', () => {
    const asked: Question = { ...timed, hint: { text: 'Squeezed', cost: 50 }, tries: { count: 3, laterPercent: 50 } };
    const walk = student([asked], { skipping: true });
    walk.do(reach);
    walk.do(begin('q-one'), 0);
    walk.do(hint, 5);
    walk.answer({ 'q-one': wrong }, 10);
    const before = walk.progress();
    walk.do({ type: 'passedStop', stopId: 'stop' }, 20);
    const passed = walk.progress();
    walk.do(reach, 3_000);
    expect(walk.progress()).toBeGreaterThanOrEqual(Math.max(before, passed));
    expect(walk.do(begin('q-one'), 3_001)).not.toBe('taken');
    expect(walk.answer({ 'q-one': right }, 3_002)).not.toBe('taken');
    expect(walk.answerTo('q-one')?.points).toBe(0);
  });

  test('what was passed unanswered keeps its time, its hints and its figure of progress', () => {
    const asked: Question = { ...timed, hint: { text: 'Squeezed', cost: 50 } };
    const walk = student([asked], { skipping: true });
    walk.do(reach);
    walk.do(begin('q-one'), 0);
    walk.do(hint, 5);
    walk.do({ type: 'passedStop', stopId: 'stop' }, 20);
    const passed = walk.progress();
    expect(walk.do(reach, 40)).toBe('taken');
    expect(walk.progress()).toBe(passed);
    expect(walk.stop()).toMatchObject({ hints: ['q-one'], began: { 'q-one': startAt } });
    walk.answer({ 'q-one': right }, 50);
    expect(walk.answerTo('q-one')).toMatchObject({ points: 150, hintCost: 50 });
  });

  test('who answered without asking for its words, as logs of the first editions do, had the time of all of them', () => {
    const walk = student([timed, { ...timed, id: 'q-two' }]);
    walk.do(reach);
    expect(walk.answer({ 'q-one': right, 'q-two': right }, 119)).toBe('taken');
    expect(walk.answerTo('q-two')?.points).toBe(200);
  });
});

describe('an answer that was given back', () => {
  const modelled: Question = {
    ...pickOne,
    tries: { count: 3, laterPercent: 50 },
    hint: { text: 'Squeezed', cost: 30 },
  };

  test('shows no key while it may be given again, and is worth what a later try is worth', () => {
    const walk = student([modelled]);
    walk.do(reach);
    walk.do(hint, 1);
    walk.answer({ 'q-one': wrong }, 2);
    walk.do({ type: 'kept', stopId: 'stop' }, 3);
    expect(walk.view().results['q-one']?.answerKey).not.toBeNull();
    walk.teach({ type: 'returned', stopId: 'stop', questionId: 'q-one', by: 'teacher' }, 4);
    const result = walk.view().results['q-one'];
    expect(result).toMatchObject({ answerKey: null, verdicts: {}, modelAnswer: null, returned: true });
    expect(walk.do({ type: 'revised', stopId: 'stop', questionId: 'q-one', response: right }, 5)).toBe('taken');
    expect(walk.answerTo('q-one')).toMatchObject({ points: 70, hintCost: 30 });
    expect(walk.answerTo('q-one')?.earlier).toMatchObject([{ because: 'returned', points: 0 }]);
  });
});

describe('marking anew', () => {
  test('by a key that did not change takes nothing away from who earned it on an earlier try', () => {
    const asked: Question = {
      ...pickOne,
      multiple: true,
      tries: { count: 2, laterPercent: 100 },
      bounds: { lower: 0, upper: 200 },
    };
    const walk = student([
      {
        ...asked,
        options: asked.kind === 'choice' ? asked.options.map((o) => ({ ...o, worth: o.correct ? 150 : 0 })) : [],
      } as Question,
    ]);
    walk.do(reach);
    walk.answer({ 'q-one': right }, 1);
    walk.answer({ 'q-one': wrong }, 2);
    expect(walk.answerTo('q-one')).toMatchObject({ points: 150 });
    const remark = { type: 'remarked', stopId: 'stop', questionId: 'q-one', earned: 0, by: 'teacher' } as const;
    walk.teach({ ...remark, earlier: [150] }, 3);
    expect(walk.answerTo('q-one')).toMatchObject({ points: 150 });
    // Logs of the first editions do not say what earlier tries came to: the key of the time says it.
    walk.teach(remark, 4);
    expect(walk.answerTo('q-one')).toMatchObject({ points: 150 });
    // By a new key each try is marked by it, and the best counts.
    walk.teach({ ...remark, earned: 120, earlier: [40] }, 5);
    expect(walk.answerTo('q-one')).toMatchObject({ points: 120, earlier: [{ points: 40 }] });
  });
});

test('questions that stay with the school are there once they are reached', () => {
  const walk = student([pickOne], { questionsWhenReached: true });
  expect(JSON.stringify(walk.view())).not.toContain(pickOne.stem);
  walk.do(reach);
  expect(JSON.stringify(walk.view())).toContain(pickOne.stem);
});

test('key changes leave a lesson that has none as it is', () => {
  const lesson = lessonOf([pickOne]);
  expect(applyKeyChanges(lesson, [])).toBe(lesson);
});
