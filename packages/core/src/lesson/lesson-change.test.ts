import fc from 'fast-check';
import { expect, test } from 'vitest';
import { bridgeLesson, inset, narration, pickOne } from '../test/bridge-lesson.ts';
import type { Lesson } from './lesson.ts';
import { applyChange, applyChanges, changeTarget, type LessonChange } from './lesson-change.ts';
import { refineChange } from './refine-change.ts';

const clip = bridgeLesson.parts[0] as Lesson['parts'][0];
const partId = fc.constantFrom('clip', 'second', 'missing');
const stopId = fc.constantFrom('s-one', 's-two', 's-new', 'missing');
const atMs = fc.integer({ min: -1, max: 60_000 });
const stop = fc.record({
  id: stopId,
  kind: fc.constant('checkpoint' as const),
  atMs,
  required: fc.boolean(),
  questions: fc.constantFrom([], [pickOne]),
});
const change: fc.Arbitrary<LessonChange> = fc.oneof(
  fc.record({ type: fc.constant('setTitle' as const), title: fc.string() }),
  fc.record({
    type: fc.constant('insertPart' as const),
    part: fc.constantFrom(clip, { ...clip, id: 'second' }),
    index: fc.nat(3),
  }),
  fc.record({ type: fc.constant('removePart' as const), partId }),
  fc.record({ type: fc.constant('movePart' as const), partId, index: fc.nat(2) }),
  fc.record({ type: fc.constant('setPartTitle' as const), partId, title: fc.string() }),
  fc.record({ type: fc.constant('setWindow' as const), partId, inMs: atMs, outMs: atMs }),
  fc.record({ type: fc.constant('insertStop' as const), partId, stop }),
  fc.record({ type: fc.constant('removeStop' as const), partId, stopId }),
  fc.record({
    type: fc.constant('moveStop' as const),
    partId,
    stopId,
    atMs,
    anchor: fc.constantFrom(undefined, { blockId: 'b', number: 2 }, { blockId: 'b', number: 2, phrase: 'words' }),
  }),
  fc.record({
    type: fc.constant('replaceParts' as const),
    partIds: fc.constantFrom(['clip'], ['second'], ['clip', 'second'], ['second', 'clip'], ['missing']),
    parts: fc.constantFrom(
      [{ ...clip, materialId: 'newer', stops: [] }],
      [clip, { ...clip, id: 'second', stops: [] }],
      [{ ...clip, id: 'second' }],
    ),
  }),
  fc.record({ type: fc.constant('replaceStop' as const), partId, stop }),
  fc.record({
    type: fc.constant('setDirections' as const),
    partId: fc.option(partId),
    directions: fc.constantFrom(null, { materialId: 'voice', words: 'Listen first.' }),
  }),
  fc.record({ type: fc.constant('setNarrations' as const), partId, narrations: fc.constantFrom([], [narration]) }),
  fc.record({ type: fc.constant('setInsets' as const), partId, insets: fc.constantFrom([], [inset]) }),
  fc.record({ type: fc.constant('setNextLesson' as const), partId, lessonId: fc.constantFrom(null, 'arches') }),
);

const lessons = fc.constantFrom<Lesson>(
  bridgeLesson,
  { ...bridgeLesson, freeFrom: 0 },
  { ...bridgeLesson, parts: [clip, { ...clip, id: 'second', stops: [] }], freeFrom: 1 },
  { ...bridgeLesson, parts: [clip, { ...clip, id: 'second', stops: [] }], freeFrom: 2 },
);

test('undoing any run of changes, last first, gives the lesson back, with everything in its place', () => {
  fc.assert(
    fc.property(lessons, fc.array(change, { maxLength: 30 }), (before, changes) => {
      let lesson = before;
      const inverses: LessonChange[] = [];
      for (const one of changes) {
        const result = applyChange(lesson, one);
        if (!result.ok) continue;
        lesson = result.lesson;
        inverses.unshift(result.inverse);
      }
      const back = applyChanges(lesson, JSON.parse(JSON.stringify(inverses)) as LessonChange[]);
      expect(back.ok && back.lesson).toEqual(before);
    }),
  );
});

test('redo after undo gives the changed lesson again', () => {
  fc.assert(
    fc.property(lessons, change, (before, one) => {
      const done = applyChange(before, one);
      if (!done.ok) return;
      const undone = applyChange(done.lesson, done.inverse);
      const redone = undone.ok && applyChange(undone.lesson, undone.inverse);
      expect(redone !== false && redone.ok ? redone.lesson : null).toEqual(done.lesson);
    }),
  );
});

test('a stop that is put whole comes to the same in pieces, and undoing the pieces gives it back', () => {
  const other = { ...pickOne, id: 'q-other' };
  const questions = fc.constantFrom(
    [],
    [pickOne],
    [pickOne, other],
    [other, pickOne],
    [{ ...pickOne, stem: 'Anew', hint: { text: 'Look', cost: 10 } }, other],
    [{ ...other, kind: 'poll' as const }],
  );
  const stops = fc.record({
    id: fc.constant('s-one'),
    kind: fc.constant('checkpoint' as const),
    atMs,
    required: fc.boolean(),
    questions,
  });
  fc.assert(
    fc.property(stops, stops, (first, second) => {
      const put = applyChange(bridgeLesson, { type: 'replaceStop', partId: 'clip', stop: first as never });
      if (!put.ok) return;
      const whole: LessonChange = { type: 'replaceStop', partId: 'clip', stop: second as never };
      const expected = applyChange(put.lesson, whole);
      const pieces = refineChange(put.lesson, whole);
      const done = applyChanges(put.lesson, pieces);
      if (!expected.ok) {
        expect(second.atMs).toBeLessThan(0);
        expect(done.ok).toBe(false);
        return;
      }
      expect(done.ok && done.lesson).toEqual(expected.lesson);
      let lesson = put.lesson;
      const inverses: LessonChange[] = [];
      for (const piece of pieces) {
        const result = applyChange(lesson, piece);
        if (!result.ok) throw new Error(result.reason);
        lesson = result.lesson;
        inverses.unshift(result.inverse);
      }
      const back = applyChanges(lesson, inverses);
      expect(back.ok && back.lesson).toEqual(put.lesson);
    }),
  );
});

test('two people in one stop take nothing from each other', () => {
  const [mine, theirs] = [
    {
      partId: 'clip',
      stopId: 's-two',
      type: 'setQuestionField',
      questionId: 'q-several',
      field: 'stem',
      value: 'Mine',
    },
    {
      partId: 'clip',
      stopId: 's-two',
      type: 'setQuestionField',
      questionId: 'q-written',
      field: 'stem',
      value: 'Theirs',
    },
  ] as const;
  const result = applyChanges(bridgeLesson, [theirs, mine]);
  const stop = result.ok ? result.lesson.parts[0]?.stops.find(({ id }) => id === 's-two') : undefined;
  expect(stop?.kind === 'checkpoint' && stop.questions.map(({ stem }) => stem)).toEqual(['Mine', 'Theirs']);
});

test.each<[string, number, LessonChange, number]>([
  ['a part put in before', 1, { type: 'insertPart', part: { ...clip, id: 'new' }, index: 0 }, 2],
  ['a part put in behind', 1, { type: 'insertPart', part: { ...clip, id: 'new' }, index: 2 }, 1],
  ['all are free, and one more comes first', 0, { type: 'insertPart', part: { ...clip, id: 'new' }, index: 0 }, 0],
  ['the fixed one taken out', 1, { type: 'removePart', partId: 'clip' }, 0],
  ['a free one taken out', 1, { type: 'removePart', partId: 'second' }, 1],
  [
    'the fixed one cut in two',
    1,
    { type: 'replaceParts', partIds: ['clip'], parts: [clip, { ...clip, id: 'half' }] },
    2,
  ],
  [
    'a free one cut in two',
    1,
    {
      type: 'replaceParts',
      partIds: ['second'],
      parts: [
        { ...clip, id: 'second' },
        { ...clip, id: 'half' },
      ],
    },
    1,
  ],
])('from where on any order will do stays where it was: %s', (_, freeFrom, one, expected) => {
  const lesson = { ...bridgeLesson, parts: [clip, { ...clip, id: 'second', stops: [] }], freeFrom };
  const result = applyChange(lesson, one);
  expect(result.ok && result.lesson.freeFrom).toBe(expected);
});

test.each<[LessonChange, string]>([
  [{ type: 'moveStop', partId: 'clip', stopId: 's-one', atMs: -1 }, 'negativeTime'],
  [{ type: 'insertStop', partId: 'clip', stop: { id: 'p', kind: 'pause', atMs: -5, note: '' } }, 'negativeTime'],
  [{ type: 'setWindow', partId: 'clip', inMs: 30_000, outMs: 30_000 }, 'emptyWindow'],
  [{ type: 'removeStop', partId: 'clip', stopId: 'gone' }, 'stopMissing'],
  [{ type: 'setPartTitle', partId: 'gone', title: '' }, 'partMissing'],
  [{ type: 'insertPart', part: clip, index: 0 }, 'idTaken'],
])('%j is refused: %s', (one, reason) => expect(applyChange(bridgeLesson, one)).toEqual({ ok: false, reason }));

test('a run stops at the first change that cannot be done, and names it', () => {
  const changes: LessonChange[] = [
    { type: 'setTitle', title: 'x' },
    { type: 'removePart', partId: 'gone' },
  ];
  expect(applyChanges(bridgeLesson, changes)).toEqual({ ok: false, reason: 'partMissing', index: 1 });
});

test('typing in one stop is one target, moving it another', () => {
  const typed: LessonChange = {
    type: 'replaceStop',
    partId: 'clip',
    stop: { id: 's-pause', kind: 'pause', atMs: 30_000, note: 'a' },
  };
  expect(changeTarget(typed)).toBe(changeTarget({ ...typed, stop: { ...typed.stop, atMs: 1 } }));
  expect(changeTarget(typed)).not.toBe(changeTarget({ type: 'moveStop', partId: 'clip', stopId: 's-pause', atMs: 1 }));
});
