import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { checkLesson } from '../checks/check-lesson.ts';
import { learnerView } from '../learner/learner-view.ts';
import { stopTimeMs } from '../lesson/answer-time.ts';
import { type Checkpoint, type Lesson, possiblePoints, type UntimedPart, untimedWindow } from '../lesson/lesson.ts';
import { applyChange } from '../lesson/lesson-change.ts';
import { lessonLengths } from '../lesson/lesson-lengths.ts';
import type { ChoiceQuestion } from '../question/question.ts';
import { takeIn, takeInAll } from '../reducer/take-in.ts';
import { decodeSheetRow, encodeSheetRow, sheetRowOf } from '../sheet/sheet-row.ts';
import { bridgeLesson, createSitting, pickOne } from '../test/bridge-lesson.ts';
import { canHandIn } from '../walk/gates.ts';
import { createContext } from './create-context.ts';
import { ownLesson } from './own-lesson.ts';

const questions: ChoiceQuestion[] = Array.from({ length: 12 }, (_, index) => ({
  ...pickOne,
  id: `q-${index}`,
  stem: `Question ${index}`,
}));
const stop = (more: Partial<Checkpoint> = {}): Checkpoint => ({
  ...{ id: 's-pick', kind: 'checkpoint', atMs: 0, required: true, questions },
  ...more,
});
const task = (...stops: Checkpoint[]): UntimedPart => ({
  id: 'task',
  kind: 'task',
  title: 'Task',
  ...untimedWindow,
  stops,
});
const taskLesson = (...stops: Checkpoint[]): Lesson => ({ title: 'A task', parts: [task(...stops)] });
const questionsGiven = (lesson: Lesson, begunAt: number) => {
  const own = ownLesson(lesson, { begunAt, secret: `of ${begunAt}` }).parts[0]?.stops[0] as Checkpoint;
  return own.questions.map(({ id }) => id);
};

describe('what is drawn for a student', () => {
  test('a lesson in which nothing is drawn is left as it is', () => {
    expect(ownLesson(bridgeLesson, { begunAt: 1, secret: '' })).toBe(bridgeLesson);
  });

  test('is as many as asked for, different ones, always the same, and in the order of the desk unless shuffled', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 1, max: 12 }), fc.boolean(), (begunAt, pick, shuffle) => {
        const lesson = taskLesson(stop({ pick, shuffle }));
        const given = questionsGiven(lesson, begunAt);
        expect(new Set(given).size).toBe(pick);
        expect(questionsGiven(structuredClone(lesson), begunAt)).toEqual(given);
        const numbers = given.map((id) => Number(id.slice(2)));
        if (!shuffle) expect(numbers).toEqual(numbers.toSorted((a, b) => a - b));
      }),
    );
  });

  test('is every question about equally often', () => {
    const counts = new Map<string, number>();
    for (let begunAt = 0; begunAt < 2_400; begunAt++)
      for (const id of questionsGiven(taskLesson(stop({ pick: 5 })), begunAt))
        counts.set(id, (counts.get(id) ?? 0) + 1);
    // 1,000 each on average with a standard deviation of about 24 (binomial, n = 2,400, p = 5/12): five of them.
    for (const id of questions.map((question) => question.id))
      expect(Math.abs((counts.get(id) ?? 0) - 1_000)).toBeLessThan(121);
  });

  test('stays what it was for who began before there were secrets', () => {
    const own = (secret: string) => {
      const lesson = ownLesson(taskLesson(stop({ pick: 5 })), { begunAt: 7, secret, drawnByTime: true });
      const drawn = lesson.parts[0]?.stops[0];
      return drawn?.kind === 'checkpoint' ? drawn.questions.map(({ id }) => id) : [];
    };
    expect(own('one')).toEqual(own('another'));
    // As the program drew it when it drew by the time of beginning.
    expect(own('one')).toEqual(['q-0', 'q-1', 'q-3', 'q-8', 'q-11']);
  });

  test('is all a browser is told of', () => {
    const state = beginAttempt({ begunAt: 7, secret: 'of a test' });
    const view = learnerView(taskLesson(stop({ pick: 2 })), state, {}, allShown);
    const shown = view.lesson.parts[0]?.stops[0];
    expect(shown?.kind === 'checkpoint' && shown.questions).toHaveLength(2);
    expect(JSON.stringify(view)).not.toContain('"pick"');
  });

  test('is what is answered and marked, and nothing else is', () => {
    const lesson = taskLesson(stop({ pick: 2 }));
    const context = createContext(lesson, defaultTerms);
    const state = beginAttempt({ begunAt: 7, secret: 'of 7' });
    const [first = '', second = ''] = questionsGiven(lesson, 7);
    const right = { kind: 'choice', optionIds: ['o-compression'] } as const;
    const answer = (ids: string[]) => {
      const event = createSitting('a', 7);
      return takeInAll(context, state, [
        event({ type: 'reachedStop', stopId: 's-pick' }),
        event({ type: 'answered', stopId: 's-pick', responses: Object.fromEntries(ids.map((id) => [id, right])) }),
      ]);
    };
    const other = questions.find(({ id }) => id !== first && id !== second)?.id ?? '';
    expect(answer([first, other]).stops['s-pick']?.phase).toBe('open');
    const done = answer([first, second]);
    expect(sheetRowOf(lesson, done)).toMatchObject({ earned: 400, possible: 400, progress: expect.any(Number) });
    expect(canHandIn(context, done)).toBe(true);
  });
});

describe('a task', () => {
  test('needs no watching: its stops are open at once, and it is done when they are', () => {
    const lesson = taskLesson(
      stop({ id: 's-1', questions: [pickOne] }),
      stop({ id: 's-2', questions: [{ ...pickOne, id: 'q-2' }] }),
    );
    const context = createContext(lesson, defaultTerms);
    const event = createSitting('a', 7);
    const begun = takeIn(
      context,
      beginAttempt({ begunAt: 7, secret: 'of a test' }),
      event({ type: 'reachedStop', stopId: 's-1' }),
    );
    expect(begun.outcome.kind).toBe('taken');
    expect(canHandIn(context, begun.state)).toBe(false);
  });

  test('takes as long as its questions, and where some are picked their share', () => {
    const all = stopTimeMs(stop());
    expect(stopTimeMs(stop({ pick: 3 }))).toBe(all / 4);
    expect(lessonLengths([task(stop({ pick: 3 }))])).toEqual({ filmMs: 0, readingMs: 0, answeringMs: all / 4 });
  });

  test('must hold something, and no more can be picked than there is', () => {
    const faultsOf = (lesson: Lesson) => checkLesson(lesson, new Map()).map(({ code }) => code);
    expect(faultsOf(taskLesson())).toEqual(['taskEmpty']);
    expect(faultsOf(taskLesson(stop({ pick: 13 })))).toEqual(['pickTooMany']);
    expect(faultsOf(taskLesson(stop({ pick: 12 })))).toEqual([]);
  });

  test('keeps every stop when their order changes, and the change is taken back', () => {
    const lesson = taskLesson(stop({ id: 's-1' }), stop({ id: 's-2' }));
    const turned = applyChange(lesson, { type: 'orderStops', partId: 'task', stopIds: ['s-2', 's-1'] });
    expect(turned.ok && turned.lesson.parts[0]?.stops.map(({ id }) => id)).toEqual(['s-2', 's-1']);
    expect(turned.ok && applyChange(turned.lesson, turned.inverse)).toMatchObject({ ok: true, lesson });
    for (const stopIds of [['s-1'], ['s-1', 's-1'], ['s-1', 's-3']])
      expect(applyChange(lesson, { type: 'orderStops', partId: 'task', stopIds })).toEqual({
        ok: false,
        reason: 'stopMissing',
      });
    expect(applyChange(lesson, { type: 'setInsets', partId: 'task', insets: [] })).toEqual({
      ok: false,
      reason: 'wrongKind',
    });
  });
});

describe('practice', () => {
  test('is shown and counts for nothing, also when the row is read back', () => {
    const lesson = { ...bridgeLesson, parts: [...bridgeLesson.parts, { ...task(stop()), practice: true }] };
    const row = sheetRowOf(lesson, beginAttempt({ begunAt: 7, secret: 'of a test' }));
    expect(row.possible).toBe(sheetRowOf(bridgeLesson, beginAttempt({ begunAt: 7, secret: 'of a test' })).possible);
    expect(row.marks.at(-1)).toMatchObject({ possible: 2_400, practice: true });
    expect(decodeSheetRow(encodeSheetRow(row))).toEqual(row);
  });
});

test('a stop can earn at most what the best of its questions carry', () => {
  const uneven = questions.slice(0, 3).map((question, index) => ({ ...question, points: (index + 1) * 100 }));
  expect(possiblePoints(stop({ questions: uneven, pick: 2 }))).toBe(500);
});
