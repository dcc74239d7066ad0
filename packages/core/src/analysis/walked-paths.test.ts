import { expect, test } from 'vitest';
import type { Lesson } from '../lesson/lesson.ts';
import { boardLesson, bridgeWays, check, clip, fork, lesson } from '../test/path-lessons.ts';
import { walker } from '../test/walker.ts';
import { walkedPaths } from './walked-paths.ts';

/** Somebody who walks the bridge lesson, right or wrong at its check, and one of the ways of its fork. */
function bridgeWalk(isRight: boolean, way: number, goesOn = true) {
  const walk = walker(bridgeWays, { turningBack: true });
  walk.play('film', 5_000);
  walk.answer('check', isRight);
  if (!isRight) walk.play('aside', 10_000);
  walk.play('film', 10_000);
  walk.choose('fork', way);
  if (!goesOn) return walk;
  if (way === 0) {
    walk.play('arch', 5_000);
    walk.answer('arch-check', true);
    walk.play('arch', 10_000);
  } else walk.play('cable', 20_000);
  walk.play('end', 5_000);
  walk.answer('end-check', true);
  walk.play('end', 10_000);
  return walk;
}

const walksOf = (walks: readonly ReturnType<typeof walker>[]) =>
  walks.map(({ state }, index) => ({ studentId: `s${index}`, state }));

test('ways are counted by the students who took them, routes by those who came to the end', () => {
  const paths = walkedPaths(
    bridgeWays,
    walksOf([bridgeWalk(true, 0), bridgeWalk(false, 0), bridgeWalk(true, 0), bridgeWalk(true, 1, false)]),
  );
  expect(paths.taken).toEqual({
    'rule:check:slower': 1,
    'end:aside': 1,
    'choice:fork:fork-0': 3,
    'choice:fork:fork-1': 1,
    'end:arch': 3,
    'end:end': 3,
  });
  expect(paths.at).toEqual({ cable: ['s3'] });
  expect(paths.routes.map(({ partIds, studentIds }) => [partIds.join(' '), studentIds])).toEqual([
    ['film arch end', ['s0', 's2']],
    ['film aside film arch end', ['s1']],
  ]);
  expect(paths.routes[0]?.medianTimeMs).toBe(bridgeWalk(true, 0).state.timeSpentMs);
});

test('who turned back is told, and counts for the way taken in the end', () => {
  const walk = bridgeWalk(true, 0, false);
  walk.act({ type: 'chose', stopId: 'fork', choiceId: 'fork-1' });
  const paths = walkedPaths(bridgeWays, walksOf([walk]));
  expect(paths.turnedBack).toEqual({ fork: 1 });
  expect(paths.taken).toEqual({ 'choice:fork:fork-1': 1 });
});

test('a choice that ends the lesson is counted as such', () => {
  const short: Lesson = lesson(clip('film', [fork('f', [{ kind: 'end' }, { kind: 'onward' }])]), clip('more'));
  const walk = walker(short);
  walk.play('film', 10_000);
  walk.choose('f', 0);
  expect(walkedPaths(short, walksOf([walk])).taken).toEqual({ 'choice:f:f-0': 1 });
});

test('tiles are counted each once', () => {
  const walk = walker(boardLesson);
  walk.play('film', 10_000);
  walk.act({ type: 'reachedStop', stopId: 'choose-board' });
  walk.act({ type: 'openedTile', stopId: 'choose-board', tileId: 't-build' });
  walk.play('build', 10_000);
  const { taken, at } = walkedPaths(boardLesson, walksOf([walk]));
  expect(taken).toEqual({ 'end:film': 1, 'tile:choose-board:t-build': 1, 'end:build': 1 });
  expect(at).toEqual({ 'build-more': ['s0'] });
});

test('in a lesson with one route, parts are counted as they are done', () => {
  const straight = lesson(clip('a', [check('c')]), clip('b'));
  const walk = walker(straight);
  walk.play('a', 5_000);
  const begun = walkedPaths(straight, walksOf([walk]));
  expect(begun).toMatchObject({ taken: {}, at: { a: ['s0'] }, routes: [] });
  walk.answer('c', true);
  walk.play('a', 10_000);
  walk.play('b', 10_000);
  expect(walkedPaths(straight, walksOf([walk]))).toMatchObject({
    taken: { 'end:a': 1, 'end:b': 1 },
    routes: [{ partIds: ['a', 'b'], studentIds: ['s0'] }],
  });
});

test('in a free order, what is done is done, and somebody is where they were last', () => {
  const free = { ...lesson(clip('a'), clip('b'), clip('c')), freeFrom: 0 };
  const walk = walker(free);
  walk.play('c', 10_000);
  walk.play('b', 4_000);
  expect(walkedPaths(free, walksOf([walk]))).toMatchObject({ taken: { 'end:c': 1 }, at: { b: ['s0'] }, routes: [] });
});
