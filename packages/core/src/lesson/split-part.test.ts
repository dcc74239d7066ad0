import fc from 'fast-check';
import { expect, test } from 'vitest';
import { bridgeLesson, narration } from '../test/bridge-lesson.ts';
import type { MaterialPart } from './lesson.ts';
import { applyChange } from './lesson-change.ts';
import { nextPart, partOverLines, splitPart } from './split-part.ts';

const clip = bridgeLesson.parts[0] as MaterialPart;

test('a split loses no stop and no moment, and is taken back whole', () => {
  fc.assert(
    fc.property(fc.integer({ min: clip.inMs + 1, max: clip.outMs - 1 }), (atMs) => {
      const halves = splitPart(clip, atMs, 'second') as readonly [MaterialPart, MaterialPart];
      const [first, second] = halves;
      expect([first.inMs, first.outMs, second.inMs, second.outMs]).toEqual([clip.inMs, atMs, atMs, clip.outMs]);
      const ids = [...first.stops, ...second.stops].map((stop) => stop.id);
      expect(ids).toHaveLength(clip.stops.length);
      expect(new Set(ids)).toEqual(new Set(clip.stops.map((stop) => stop.id)));
      for (const part of halves)
        for (const stop of part.stops) expect(stop.atMs >= part.inMs && stop.atMs <= part.outMs).toBe(true);
      const done = applyChange(bridgeLesson, { type: 'replaceParts', partIds: [clip.id], parts: halves });
      expect(done.ok && applyChange(done.lesson, done.inverse)).toMatchObject({ ok: true, lesson: bridgeLesson });
    }),
  );
});

test.each([clip.inMs, clip.outMs, clip.outMs + 1])('no split at %d, where nothing is on one side', (atMs) =>
  expect(splitPart(clip, atMs, 'second')).toBeNull(),
);

test('the next part of a material begins where the last one ended', () => {
  const film = { id: clip.materialId, title: 'Film', kind: 'film' as const, lengthMs: 60_000 };
  expect(nextPart(bridgeLesson, film, 'next')).toMatchObject({ inMs: clip.outMs, outMs: 60_000, stops: [] });
  const shown = { ...bridgeLesson, parts: [{ ...clip, outMs: 59_500 }] };
  expect(nextPart(shown, film, 'next')).toMatchObject({ inMs: 0, outMs: 60_000 });
});

test('voices go with their stretch, directions stay at the beginning and the way on at the end', () => {
  const directions = { materialId: 'voice', words: '' };
  const later = { ...narration, id: 'n-late', atMs: 41_000 };
  const part: MaterialPart = { ...clip, directions, nextLessonId: 'arches', narrations: [narration, later] };
  const [first, second] = splitPart(part, 35_000, 'second') as readonly [MaterialPart, MaterialPart];
  expect([first.directions, first.nextLessonId, first.narrations]).toEqual([directions, undefined, [narration]]);
  expect([second.directions, second.nextLessonId, second.narrations]).toEqual([undefined, 'arches', [later]]);
});

test('a range of lines becomes the window, and what lies beyond them is cut', () => {
  const lines = ['a', 'b', 'c'].map((id, index) => ({
    id,
    startMs: index * 1000,
    endMs: (index + 1) * 1000,
    text: id,
  }));
  const part = { ...clip, inMs: 0, outMs: 3000 };
  expect(partOverLines(part, lines, { from: 2, to: 9 })).toMatchObject({ inMs: 1000, outMs: 3000 });
  expect(partOverLines(part, lines, { from: 2, to: 2 })).toMatchObject({ inMs: 1000, outMs: 2000 });
  expect(partOverLines(part, lines, { from: 4, to: 5 })).toEqual(part);
});
