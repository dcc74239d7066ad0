import { describe, expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import { checkLesson } from '../checks/check-lesson.ts';
import { checkPath } from '../checks/check-path.ts';
import { tryRoutes } from '../checks/try-routes.ts';
import { learnerView } from '../learner/learner-view.ts';
import { stopTimeMs } from '../lesson/answer-time.ts';
import { pathFigures } from '../path/path-figures.ts';
import { isAside } from '../path/path-lesson.ts';
import { waysOf } from '../path/ways.ts';
import { back, boardLesson, boardPart, check, clip, lesson, tile } from '../test/path-lessons.ts';
import { walker } from '../test/walker.ts';
import { canHandIn, findOpenStop, nextPart } from '../walk/gates.ts';
import { progressOf } from '../walk/progress.ts';

const board = 'choose-board';
/** Comes to the board of the lesson. */
function toBoard(of = boardLesson, terms = {}) {
  const walk = walker(of, terms);
  walk.play('film', 10_000);
  walk.act({ type: 'reachedStop', stopId: board });
  return walk;
}
const open = (tileId: string) => ({ type: 'openedTile', stopId: board, tileId }) as const;
const partNow = (walk: ReturnType<typeof walker>) => walk.state.route?.legs.at(-1)?.partId;

describe('a board', () => {
  test('leads to the part of a tile and back, and the tile is done', () => {
    const walk = toBoard();
    expect(partNow(walk)).toBe('choose');
    expect(walk.act(open('t-draw'))).toBe('taken');
    expect(walk.state.stops[board]?.tiles).toEqual({ 't-draw': 'opened' });
    expect(partNow(walk)).toBe('draw');
    expect(findOpenStop(boardLesson, walk.state)).toBeUndefined();
    walk.play('draw', 5_000);
    walk.answer('draw-check', true);
    walk.play('draw', 10_000);
    expect(walk.state.stops[board]?.tiles).toEqual({ 't-draw': 'done' });
    expect(partNow(walk)).toBe('choose');
    expect(findOpenStop(boardLesson, walk.state)?.stop.id).toBe(board);
  });

  test('goes through all parts behind a tile before it leads back', () => {
    const walk = toBoard();
    walk.act(open('t-build'));
    walk.play('build', 10_000);
    expect(partNow(walk)).toBe('build-more');
    walk.play('build-more', 10_000);
    expect(partNow(walk)).toBe('choose');
    expect(walk.state.stops[board]?.tiles).toEqual({ 't-build': 'done' });
  });

  test('is left when it has what it asks for, and not before', () => {
    const walk = toBoard();
    expect(walk.act({ type: 'acknowledged', stopId: board })).toBe('needNotMet');
    walk.act({ type: 'openedTile', stopId: board, tileId: 't-look' });
    walk.act({ type: 'didTile', stopId: board, tileId: 't-look' });
    expect(walk.act({ type: 'acknowledged', stopId: board })).toBe('needNotMet');
    walk.act(open('t-draw'));
    walk.play('draw', 5_000);
    walk.answer('draw-check', false);
    walk.play('draw', 10_000);
    expect(walk.act({ type: 'acknowledged', stopId: board })).toBe('taken');
    expect(partNow(walk)).toBe('end');
    walk.play('end', 10_000);
    expect(canHandIn(walk.context, walk.state)).toBe(true);
  });

  test('takes nothing that is not there, done already, or not its turn', () => {
    const walk = toBoard();
    expect(walk.act(open('t-gone'))).toBe('choiceUnknown');
    expect(walk.act({ type: 'didTile', stopId: board, tileId: 't-draw' })).toBe('wrongKind');
    walk.act(open('t-build'));
    expect(walk.act(open('t-draw'))).toBe('notOpen');
    walk.play('build', 10_000);
    walk.play('build-more', 10_000);
    expect(walk.act(open('t-build'))).toBe('alreadySettled');
    const early = walker(boardLesson);
    expect(early.act({ type: 'reachedStop', stopId: board })).toBe('notReached');
    expect(early.act(open('t-draw'))).toBe('notOpen');
  });

  test('progress goes up through tiles and never falls', () => {
    const walk = toBoard();
    const seen = [progressOf(boardLesson, walk.state)];
    const look = () => seen.push(progressOf(boardLesson, walk.state));
    walk.act(open('t-build'));
    look();
    walk.play('build', 10_000);
    look();
    walk.play('build-more', 10_000);
    look();
    walk.act({ type: 'didTile', stopId: board, tileId: 't-look' });
    look();
    walk.act({ type: 'acknowledged', stopId: board });
    walk.play('end', 10_000);
    look();
    expect(seen).toEqual(seen.toSorted((a, b) => a - b));
    expect(seen.at(-1)).toBe(1);
    expect(seen[0]).toBeLessThan(0.3);
  });

  test('hides nothing a student may not see, and holds what was opened', () => {
    const walk = toBoard();
    walk.act(open('t-build'));
    const { lesson: seen, state } = learnerView(boardLesson, walk.state, {}, allShown);
    expect(seen.parts[1]?.stops[0]).toEqual({ ...boardLesson.parts[1]?.stops[0] });
    expect(state.stops[board]?.tiles).toEqual({ 't-build': 'opened' });
    expect(nextPart(walk.context, walk.state, seen.parts[1] as never)?.id).toBe('build');
  });
});

describe('what can be computed of a board', () => {
  test('asides are parts that lead back, and those that lead on to one', () => {
    expect(boardLesson.parts.filter(({ id }) => isAside(boardLesson, id)).map(({ id }) => id)).toEqual([
      'draw',
      'build',
      'build-more',
    ]);
  });

  test('figures: the shortest takes the least tiles that are enough, the longest all of them', () => {
    const answerMs = stopTimeMs(check('any'));
    const drawMs = 10_000 + answerMs;
    expect(pathFigures(boardLesson)).toMatchObject({
      routeCount: 1n,
      turnBackCount: 0,
      // Tiles: drawing, 20 s of building, two minutes outside; any two of them.
      timeMs: { min: 20_000 + drawMs + 20_000, max: 20_000 + drawMs + 20_000 + 120_000 },
      meanTimeMs: 20_000 + ((drawMs + 20_000 + 120_000) / 3) * 2,
      points: { min: 0, max: 200 },
    });
  });

  test('its ways lead to the tiles’ parts, back, and on', () => {
    expect(waysOf(boardLesson).map(({ fromPartId, toPartId, via }) => [fromPartId, toPartId, via.kind])).toEqual([
      ['choose', 'draw', 'tile'],
      ['choose', 'build', 'tile'],
      ['film', 'choose', 'order'],
      ['choose', 'end', 'order'],
      ['draw', 'choose', 'next'],
      ['build', 'build-more', 'next'],
      ['build-more', 'choose', 'next'],
      ['end', null, 'order'],
    ]);
  });

  test('trying all routes goes through all tiles, and through as few as are enough', () => {
    const { routes, isComplete } = tryRoutes(boardLesson);
    expect(isComplete).toBe(true);
    expect(routes.map(({ partIds }) => partIds.join(' '))).toEqual([
      'film choose draw choose build build-more choose end',
      'film choose draw choose build build-more choose end',
    ]);
    expect(routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
  });

  test('faults: nothing behind a tile, a tile that goes on, more asked for than there is', () => {
    const faulty = (tiles: Parameters<typeof boardPart>[1], count = 1) =>
      lesson(boardPart('choose', tiles, { kind: 'any', count }), clip('draw', [], back), clip('end'));
    const codes = (of: Parameters<typeof checkPath>[0]) => checkPath(of).map(({ code }) => code);
    expect(codes(faulty([tile('a', 'draw')]))).toEqual([]);
    expect(codes(faulty([tile('a', 'gone'), tile('b', 'draw')]))).toEqual(['wayNowhere']);
    expect(codes(faulty([tile('a', 'end'), tile('b', 'draw')]))).toEqual(['tileGoesOn']);
    const all = (of: ReturnType<typeof faulty>) => checkLesson(of, new Map([['film', 10_000]])).map(({ code }) => code);
    expect(all(faulty([tile('a', 'draw')], 4))).toEqual(['boardImpossible']);
    expect(all(faulty([tile('a', 'draw', { title: ' ' })]))).toEqual(['tileTitleMissing']);
    expect(
      all(faulty([tile('a', 'draw'), tile('b', null, { to: { kind: 'address', url: 'javascript:alert(1)' } })])),
    ).toEqual(['tileAddressUnusable']);
    expect(all(faulty([]))).toContain('tilesMissing');
  });
});
