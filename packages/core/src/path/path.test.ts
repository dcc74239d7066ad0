import { alg, Graph } from '@dagrejs/graphlib';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { checkPath } from '../checks/check-path.ts';
import { stopTimeMs } from '../lesson/answer-time.ts';
import { applyChange } from '../lesson/lesson-change.ts';
import { boardLesson, bridgeWays, check, clip, diamonds, fork, lesson, toPart } from '../test/path-lessons.ts';
import { listRoutes } from './list-routes.ts';
import { pathFigures } from './path-figures.ts';
import { pathGraph, weighNode } from './path-graph.ts';
import type { PathLesson } from './path-lesson.ts';
import { retargetWay } from './retarget-way.ts';
import { waysOf } from './ways.ts';

const answerMs = stopTimeMs(check('any'));

test('figures of a path with a detour and two branches', () => {
  const figures = pathFigures(bridgeWays);
  // Film 10 s with a question; perhaps 10 s aside; arch 10 s with a question or cable 20 s; end 10 s with a question.
  expect(figures).toMatchObject({
    routeCount: 4n,
    timeMs: { min: 30_000 + 3 * answerMs - (answerMs - 10_000), max: 40_000 + 3 * answerMs },
    points: { min: 400, max: 600 },
    requiredStops: { min: 3, max: 4 },
    turnBackCount: 0,
  });
  expect(checkPath(bridgeWays)).toEqual([]);
});

describe('how many routes there are', () => {
  test.each([0, 1, 2, 10, 60, 200])('a chain of %d diamonds has 2 to that power', (count) => {
    expect(pathFigures(diamonds(count))?.routeCount).toBe(2n ** BigInt(count));
  });

  test.each([1, 2, 5, 12])('parts in any order: as many as they can be put in order, %d', (count) => {
    const parts = Array.from({ length: count }, (_, index) => clip(`p-${index}`));
    let factorial = 1n;
    for (let factor = 2n; factor <= BigInt(count); factor++) factorial *= factor;
    expect(pathFigures({ ...lesson(...parts), freeFrom: 0 })?.routeCount).toBe(factorial);
  });

  // A ladder: from each rung on to the next, or past it; the routes are the Fibonacci numbers (closed form, OEIS A000045).
  test.each([
    [1, 1n],
    [2, 2n],
    [5, 8n],
    [30, 1_346_269n],
  ])('a ladder of %d rungs', (rungs, expected) => {
    const parts = Array.from({ length: rungs + 1 }, (_, index) => {
      const past = index + 2 <= rungs ? [toPart(`p-${index + 2}`)] : [];
      const on = index + 1 <= rungs ? [toPart(`p-${index + 1}`), ...past] : [{ kind: 'end' } as const];
      return clip(`p-${index}`, [fork(`f-${index}`, on)]);
    });
    expect(pathFigures(lesson(...parts))?.routeCount).toBe(expected);
  });
});

/** Random paths whose ways lead onwards only: from the end of each part to one, two or three later ones. */
const randomPath: fc.Arbitrary<PathLesson> = fc
  .array(fc.array(fc.nat(1_000), { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 14 })
  .map((targets) => {
    const count = targets.length;
    const parts = targets.map((to, index) => {
      const later = count - 1 - index;
      const ways = [...new Set(to.map((random) => (later === 0 ? null : index + 1 + (random % later))))];
      const outMs = 1_000 + (to[0] ?? 0) * 10;
      const choices = ways.map((way) => (way === null ? ({ kind: 'end' } as const) : toPart(`p-${way}`)));
      return clip(`p-${index}`, [check(`c-${index}`, [], 500), fork(`f-${index}`, choices, outMs)], { outMs });
    });
    return lesson(...parts);
  });

describe('against a graph library and against walking every route', () => {
  test('the shortest time is that of Dijkstra’s algorithm, and no path leads round', () => {
    fc.assert(
      fc.property(randomPath, (path) => {
        const { nodes } = pathGraph(path);
        const graph = new Graph({ directed: true });
        const weight = (index: number) => weighNode(path, nodes[index] as (typeof nodes)[0]).timeMs;
        for (const [index, { edges }] of nodes.entries())
          for (const { to } of edges) graph.setEdge(String(index), to === null ? 'end' : String(to), weight(index));
        expect(alg.isAcyclic(graph)).toBe(true);
        const found = alg.dijkstra(graph, '0', (edge) => graph.edge(edge) as number);
        expect(pathFigures(path)?.timeMs.min).toBe(found.end?.distance);
      }),
      { numRuns: 1_000 },
    );
  });

  test('counts, times, points and the mean are those of all routes', () => {
    fc.assert(
      fc.property(randomPath, (path) => {
        const { nodes } = pathGraph(path);
        const routes: { timeMs: number; points: number; chance: number }[] = [];
        const walk = (index: number, timeMs: number, points: number, chance: number): void => {
          const node = nodes[index] as (typeof nodes)[0];
          const weight = weighNode(path, node);
          const sum = { timeMs: timeMs + weight.timeMs, points: points + weight.points };
          for (const { to } of node.edges)
            if (to === null) routes.push({ ...sum, chance: chance / node.edges.length });
            else walk(to, sum.timeMs, sum.points, chance / node.edges.length);
        };
        walk(0, 0, 0, 1);
        const figures = pathFigures(path);
        const all = (of: 'timeMs' | 'points') => routes.map((route) => route[of]);
        expect(figures?.routeCount).toBe(BigInt(routes.length));
        expect(figures?.timeMs).toEqual({ min: Math.min(...all('timeMs')), max: Math.max(...all('timeMs')) });
        expect(figures?.points).toEqual({ min: Math.min(...all('points')), max: Math.max(...all('points')) });
        const mean = routes.reduce((sum, { timeMs, chance }) => sum + timeMs * chance, 0);
        expect(figures?.meanTimeMs).toBeCloseTo(mean, 3);
      }),
      { numRuns: 1_000 },
    );
  });

  test('a part nobody comes to is one that the library does not reach', () => {
    fc.assert(
      fc.property(randomPath, (path) => {
        const graph = new Graph({ directed: true });
        for (const part of path.parts) {
          graph.setNode(part.id);
          for (const { choices = [] } of part.stops)
            for (const { to } of choices) if (to.kind === 'part') graph.setEdge(part.id, to.partId);
        }
        const reached = new Set(alg.preorder(graph, ['p-0']));
        const missed = path.parts.filter(({ id }) => !reached.has(id)).map(({ id }) => id);
        const faults = checkPath(path).filter(({ code }) => code === 'partUnreachable');
        expect(faults.map(({ partId }) => partId)).toEqual(missed);
      }),
    );
  });
});

describe('faults are found where they can be mended', () => {
  const codes = (path: PathLesson) => checkPath(path).map(({ code, partId, stopId }) => [code, stopId ?? partId]);

  test.each([
    [
      'a choice to a part that is gone',
      lesson(clip('a', [fork('f', [toPart('gone'), { kind: 'onward' }])])),
      ['wayNowhere', 'f'],
    ],
    ['a choice to a stop that is gone', lesson(clip('a', [fork('f', [toPart('a', 'gone')])])), ['wayNowhere', 'f']],
    [
      'a loop without a way out',
      lesson(clip('a', [], { next: toPart('b') }), clip('b', [], { next: toPart('a') })),
      ['noWayOut', 'a'],
    ],
    ['a fork that only leads round', lesson(clip('a', [fork('f', [toPart('a')])])), ['noWayOut', 'a']],
    ['a part nobody comes to', lesson(clip('a', [], { next: { kind: 'end' } }), clip('b')), ['partUnreachable', 'b']],
    [
      'an aside nobody turns into',
      lesson(clip('a'), clip('b', [], { next: { kind: 'back' } })),
      ['partUnreachable', 'b'],
    ],
    ['only asides', lesson(clip('a', [], { next: { kind: 'back' } })), ['backNowhere', 'a']],
    [
      'asides that lead into each other',
      lesson(
        clip('a', [fork('f', [toPart('b'), { kind: 'onward' }])]),
        clip('b', [fork('g', [toPart('b'), { kind: 'onward' }])], { next: { kind: 'back' } }),
      ),
      ['tooDeep', undefined],
    ],
  ] as const)('%s', (_, path, fault) => {
    expect(codes(path)).toContainEqual(fault);
  });

  test('a loop with a way out is none, and its turning back is told', () => {
    const path = lesson(clip('a', [fork('f', [toPart('a'), { kind: 'onward' }])]), clip('b'));
    expect(codes(path)).toEqual([]);
    expect(pathFigures(path)).toMatchObject({ routeCount: 1n, turnBackCount: 1 });
  });

  test('in any order there are no turns', () => {
    expect(codes({ ...bridgeWays, freeFrom: 0 })).toContainEqual(['freeWithTurns', undefined]);
  });
});

test('500 parts and 2 to the power of 60 routes are looked at without going through them', () => {
  const parts = Array.from({ length: 500 }, (_, index) => clip(`p-${index}`, [check(`c-${index}`)]));
  expect(checkPath(lesson(...parts))).toEqual([]);
  expect(pathFigures(diamonds(60))?.routeCount).toBe(1_152_921_504_606_846_976n);
});

describe('ways and routes, as they are drawn and listed', () => {
  test('every way between parts is one, and an aside leads back to where it was turned into', () => {
    const told = waysOf(bridgeWays).map(({ fromPartId, toPartId, via, isDetour }) => [
      fromPartId,
      toPartId,
      via.kind,
      isDetour,
    ]);
    expect(told).toEqual([
      ['film', 'aside', 'rule', true],
      ['film', 'arch', 'choice', false],
      ['film', 'cable', 'choice', false],
      ['aside', 'film', 'next', false],
      ['arch', 'end', 'next', false],
      ['cable', 'end', 'order', false],
      ['end', null, 'order', false],
    ]);
  });

  test('a way to what is gone is broken', () => {
    const broken = waysOf(lesson(clip('a', [fork('f', [toPart('gone'), toPart('a', 'gone')])])));
    expect(broken.map(({ isBroken }) => isBroken)).toEqual([true, true]);
  });

  test('a way is led elsewhere by one change, and only that way', () => {
    for (const way of waysOf(bridgeWays).filter(({ target }) => target.kind !== 'back')) {
      const change = retargetWay(bridgeWays, way, toPart('cable'));
      const result = change && applyChange(bridgeWays, change);
      if (!result?.ok) throw new Error(`${way.key} cannot be led elsewhere`);
      const moved = waysOf(result.lesson);
      expect(moved.find(({ key }) => key === way.key)).toMatchObject({ toPartId: 'cable', isDetour: false });
      expect(applyChange(result.lesson, result.inverse)).toMatchObject({ lesson: bridgeWays });
    }
  });

  test('a tile’s way moves the tile, and nothing else of its board', () => {
    const way = waysOf(boardLesson).find(({ via }) => via.kind === 'tile');
    if (!way) throw new Error('There is no tile');
    const change = retargetWay(boardLesson, way, toPart('build'));
    const result = change && applyChange(boardLesson, change);
    if (!result?.ok) throw new Error('The tile cannot be led elsewhere');
    const board = result.lesson.parts[1];
    expect(board?.stops[0]).toMatchObject({ tiles: [{ id: 't-draw', to: toPart('build') }, { id: 't-build' }, {}] });
    expect(board?.next).toBeUndefined();
    expect(retargetWay(boardLesson, way, { kind: 'end' })).toBeNull();
  });

  test('routes come to what the figures say of them', () => {
    fc.assert(
      fc.property(randomPath, (path) => {
        const routes = listRoutes(path, 10_000);
        const figures = pathFigures(path);
        expect(BigInt(routes.length)).toBe(figures?.routeCount);
        expect(Math.max(...routes.map(({ timeMs }) => timeMs))).toBe(figures?.timeMs.max);
        expect(Math.min(...routes.map(({ points }) => points))).toBe(figures?.points.min);
      }),
      { numRuns: 200 },
    );
    expect(listRoutes(diamonds(60), 20)).toHaveLength(20);
  });
});
