import { expect, test } from 'vitest';
import type { MaterialPart, Pause } from '../lesson/lesson.ts';
import { applyChange } from '../lesson/lesson-change.ts';
import type { ScriptLine } from '../script/script.ts';
import { inset } from '../test/bridge-lesson.ts';
import { clip, fork, lesson } from '../test/path-lessons.ts';
import { bringChange, bringInAgain } from './bring-in-again.ts';
import { replaceMaterial } from './replace-material.ts';

const script = (...texts: string[]): ScriptLine[] =>
  texts.map((text, index) => ({ id: text, startMs: index * 1000, endMs: (index + 1) * 1000, text }));
const stop = (id: string, blockId: string | null, number: number, phrase?: string): Pause => ({
  id,
  kind: 'pause',
  atMs: number * 1000,
  note: id,
  anchor: { blockId, number, ...(phrase ? { phrase } : {}) },
});
const reading = (...stops: Pause[]): MaterialPart => ({
  id: 'part',
  kind: 'reading',
  title: 'A notebook',
  materialId: 'old',
  inMs: 0,
  outMs: 3000,
  stops,
});

test('stops move with their blocks', () => {
  const before = script('a', 'b', 'c');
  const { part, astray } = bringInAgain(
    reading(stop('s-start', null, 0), stop('s-a', 'a', 1), stop('s-c', 'c', 3)),
    'new',
    before,
    script('c', 'x', 'a', 'y'),
  );
  expect(astray).toEqual([]);
  expect(part).toMatchObject({ materialId: 'new', inMs: 0, outMs: 4000 });
  expect(part.stops.map(({ id, atMs, anchor }) => [id, atMs, anchor?.number])).toEqual([
    ['s-start', 0, 0],
    ['s-a', 3000, 3],
    ['s-c', 1000, 1],
  ]);
});

test('a stop whose block is gone is named and stands behind the last block before it that is still there', () => {
  const { part, astray } = bringInAgain(
    reading(stop('s-c', 'c', 3), stop('s-a', 'a', 1)),
    'new',
    script('a', 'b', 'c'),
    script('x', 'b'),
  );
  expect(astray.map((one) => one.id)).toEqual(['s-c', 's-a']);
  expect(part.stops.map(({ id, atMs, anchor }) => [id, atMs, anchor?.blockId])).toEqual([
    ['s-c', 2000, 'b'],
    ['s-a', 0, null],
  ]);
});

test('a stop whose words are gone from its block is named and stands behind the block', () => {
  const before = script('the deck hums');
  const after = [{ ...(before[0] as ScriptLine), text: 'the deck is silent' }];
  const { part, astray } = bringInAgain(reading(stop('s', 'the deck hums', 1, 'hums')), 'new', before, after);
  expect(astray).toHaveLength(1);
  expect(part.stops[0]).toMatchObject({ atMs: 1000, anchor: { blockId: 'the deck hums', number: 1 } });
  expect(part.stops[0]?.anchor).not.toHaveProperty('phrase');
});

test('a newer film keeps the window and the stops, as far as it goes', () => {
  const clip: MaterialPart = {
    ...reading(stop('early', null, 1), stop('late', null, 9)),
    kind: 'clip',
    inMs: 500,
    outMs: 9_500,
  };
  const { part, astray } = replaceMaterial(clip, [], { id: 'newer', lengthMs: 6_000, lines: [] });
  expect(part).toMatchObject({ materialId: 'newer', inMs: 500, outMs: 6_000 });
  expect(part.stops).toEqual(clip.stops);
  expect(astray.map((one) => one.id)).toEqual(['late']);
});

test('films inside the text move with their blocks, and stay where their block is gone', () => {
  const part = { ...reading(), insets: [inset, { ...inset, id: 'i-b', anchor: { blockId: 'b', number: 2 } }] };
  const again = bringInAgain(part, 'new', script('a', 'b'), script('x', 'a'));
  expect(again.part.insets?.map(({ id, atMs, anchor }) => [id, atMs, anchor])).toEqual([
    ['i-film', 2000, { blockId: 'a', number: 2 }],
    ['i-b', 2000, { blockId: 'a', number: 2 }],
  ]);
});

test('ways to a place in a text lead to the same block of its newer version, in one step', () => {
  const before = script('a', 'b', 'c');
  const to = (blockId: string, number: number) =>
    ({ kind: 'part', partId: 'part', at: { atMs: number * 1000, anchor: { blockId, number } } }) as const;
  const of = lesson(clip('film', [fork('f', [to('a', 1), to('b', 2)])]), reading());
  const { change, astray } = bringChange(of, 'part', 'new', before, script('x', 'a', 'c'));
  const done = change && applyChange(of, change);
  if (!done?.ok) throw new Error('not brought in');
  const [film, text] = done.lesson.parts;
  const ways = film?.stops[0];
  // Behind “a”, which stands second now; behind “b”, which is gone: as near as can be.
  expect(ways?.kind === 'fork' && ways.choices.map((choice) => choice.to)).toEqual([
    { ...to('a', 2), at: { atMs: 2000, anchor: { blockId: 'a', number: 2 } } },
    { ...to('a', 2), at: { atMs: 2000, anchor: { blockId: 'a', number: 2 } } },
  ]);
  expect([text, astray]).toMatchObject([{ materialId: 'new' }, []]);
  expect(applyChange(done.lesson, done.inverse)).toMatchObject({ ok: true, lesson: of });
  expect(bringChange(of, 'gone', 'new', before, before)).toEqual({ change: null, astray: [] });
});
