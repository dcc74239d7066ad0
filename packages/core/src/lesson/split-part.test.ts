import fc from 'fast-check';
import { expect, test } from 'vitest';
import { checkPath } from '../checks/check-path.ts';
import { bridgeLesson, narration } from '../test/bridge-lesson.ts';
import { boardPart, check, fork, lesson, clip as pathClip, tile, toPart } from '../test/path-lessons.ts';
import type { Lesson, MaterialPart, Part } from './lesson.ts';
import { applyChange } from './lesson-change.ts';
import { nextPart, partOverLines, splitChange } from './split-part.ts';

const clip = bridgeLesson.parts[0] as MaterialPart;

/** The parts a split leaves of a lesson. */
function split(of: Lesson, partId: string, atMs: number): readonly Part[] {
  const change = splitChange(of, partId, atMs, 'second');
  const done = change && applyChange(of, change);
  if (!done?.ok) throw new Error('not split');
  expect(applyChange(done.lesson, done.inverse)).toMatchObject({ ok: true, lesson: of });
  return done.lesson.parts;
}

const halvesOf = (part: MaterialPart, atMs: number) =>
  split({ ...bridgeLesson, parts: [part] }, part.id, atMs) as readonly [MaterialPart, MaterialPart];

test('a split loses no stop and no moment, and is taken back whole', () => {
  fc.assert(
    fc.property(fc.integer({ min: clip.inMs + 1, max: clip.outMs - 1 }), (atMs) => {
      const halves = halvesOf(clip, atMs);
      const [first, second] = halves;
      expect([first.inMs, first.outMs, second.inMs, second.outMs]).toEqual([clip.inMs, atMs, atMs, clip.outMs]);
      const ids = [...first.stops, ...second.stops].map((stop) => stop.id);
      expect(ids).toHaveLength(clip.stops.length);
      expect(new Set(ids)).toEqual(new Set(clip.stops.map((stop) => stop.id)));
      for (const part of halves)
        for (const stop of part.stops) expect(stop.atMs >= part.inMs && stop.atMs <= part.outMs).toBe(true);
    }),
  );
});

test.each([clip.inMs, clip.outMs, clip.outMs + 1])('no split at %d, where nothing is on one side', (atMs) =>
  expect(splitChange(bridgeLesson, clip.id, atMs, 'second')).toBeNull(),
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
  const [first, second] = halvesOf(part, 35_000);
  expect([first.directions, first.nextLessonId, first.narrations]).toEqual([directions, undefined, [narration]]);
  expect([second.directions, second.nextLessonId, second.narrations]).toEqual([undefined, 'arches', [later]]);
});

test('ways keep leading where they led, and from where they did', () => {
  const place = (atMs: number) => ({ kind: 'part', partId: 'b', at: { atMs } }) as const;
  const begin = pathClip('a', [fork('f', [toPart('b'), toPart('b', 'late'), place(3_000), place(8_000)])]);
  const rules = [{ id: 'r', when: { kind: 'inGroup', group: 'early' } as const, to: toPart('c') }];
  const middle = pathClip('b', [check('late', [], 7_000)], { next: { kind: 'end' }, rules, mapAt: { x: 1, y: 2 } });
  const waits = { ...fork('g', [toPart('a'), { kind: 'onward' }]) };
  const end = pathClip('c', [{ ...waits, choices: waits.choices.map((choice) => ({ ...choice, after: 'b' })) }]);
  const [from, first, second, last] = split(lesson(begin, middle, end), 'b', 5_000) as readonly MaterialPart[];
  const ofFork = from?.stops[0];
  expect(ofFork?.kind === 'fork' && ofFork.choices.map(({ to }) => to)).toEqual([
    toPart('b'),
    toPart('second', 'late'),
    place(3_000),
    { ...place(8_000), partId: 'second' },
  ]);
  expect(first).toMatchObject({ next: toPart('second'), mapAt: { x: 1, y: 2 } });
  expect([first?.rules, second?.next, second?.rules, second?.mapAt]).toEqual([
    undefined,
    { kind: 'end' },
    rules,
    undefined,
  ]);
  const gate = last?.stops[0];
  expect(gate?.kind === 'fork' && gate.choices.map(({ after }) => after)).toEqual(['second', 'second']);
});

test('a part that leads back, or behind a tile, still does when it is cut', () => {
  const aside = pathClip('b', [], { next: { kind: 'back' } });
  const board = boardPart('board', [tile('t', 'b')], { kind: 'any', count: 1 });
  const parts = split(lesson(board, aside, pathClip('c')), 'b', 5_000);
  expect(parts.map(({ id, next }) => [id, next])).toEqual([
    ['board', undefined],
    ['b', toPart('second')],
    ['second', { kind: 'back' }],
    ['c', undefined],
  ]);
  expect(checkPath(lesson(...parts))).toEqual([]);
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
