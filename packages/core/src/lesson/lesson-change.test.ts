import fc from 'fast-check';
import { expect, test } from 'vitest';
import { bridgeLesson, inset, narration, pickOne } from '../test/bridge-lesson.ts';
import type { Lesson } from './lesson.ts';
import { applyChange, applyChanges, changeTarget, type LessonChange } from './lesson-change.ts';

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

/** Where a stop stands in the list means nothing: learners meet stops by time. */
const normal = (lesson: Lesson) => ({
  ...lesson,
  parts: lesson.parts.map((part) => ({ ...part, stops: part.stops.toSorted((a, b) => a.id.localeCompare(b.id)) })),
});

test('undoing any run of changes, last first, gives the lesson back', () => {
  fc.assert(
    fc.property(fc.array(change, { maxLength: 30 }), (changes) => {
      let lesson = bridgeLesson;
      const inverses: LessonChange[] = [];
      for (const one of changes) {
        const result = applyChange(lesson, one);
        if (!result.ok) continue;
        lesson = result.lesson;
        inverses.unshift(result.inverse);
      }
      const back = applyChanges(lesson, inverses);
      expect(back.ok && normal(back.lesson)).toEqual(normal(bridgeLesson));
    }),
  );
});

test('redo after undo gives the changed lesson again', () => {
  fc.assert(
    fc.property(change, (one) => {
      const done = applyChange(bridgeLesson, one);
      if (!done.ok) return;
      const undone = applyChange(done.lesson, done.inverse);
      const redone = undone.ok && applyChange(undone.lesson, undone.inverse);
      expect(redone !== false && redone.ok ? normal(redone.lesson) : null).toEqual(normal(done.lesson));
    }),
  );
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
