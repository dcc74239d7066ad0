import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import { type AttemptState, beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms, type Terms } from '../attempt/terms.ts';
import { checkPath } from '../checks/check-path.ts';
import { tryRoutes } from '../checks/try-routes.ts';
import { learnerView } from '../learner/learner-view.ts';
import { sheetRowOf } from '../sheet/sheet-row.ts';
import { bridgeWays, check, clip, diamonds, fork, lesson, toPart } from '../test/path-lessons.ts';
import { walker } from '../test/walker.ts';
import { canHandIn, findOpenStop, freeParts, nextPart, nextUnsettledStop, playLimitMs } from '../walk/gates.ts';
import { progressOf } from '../walk/progress.ts';
import { partStateOf } from '../walk/settled.ts';

const partsOf = (state: AttemptState) => state.route?.legs.map(({ partId }) => partId);

describe('a rule', () => {
  test('sends those below its mark to the aside, and back to where they were', () => {
    const walk = walker(bridgeWays);
    walk.play('film', 5_000);
    expect(walk.answer('check', false)).toBe('taken');
    expect(walk.state.currentPartId).toBe('aside');
    expect(walk.play('film', 8_000)).toBe('taken');
    expect(partStateOf(walk.state, bridgeWays.parts[0] as never).furthestMs).toBe(5_000);
    walk.play('aside', 10_000);
    expect(walk.state.currentPartId).toBe('film');
    expect(walk.state.parts.film?.positionMs).toBe(5_000);
    walk.play('film', 10_000);
    expect(walk.state.parts.film?.furthestMs).toBe(10_000);
    expect(partsOf(walk.state)).toEqual(['film', 'aside', 'film']);
  });

  test('leaves the others where they are', () => {
    const walk = walker(bridgeWays);
    walk.play('film', 5_000);
    walk.answer('check', true);
    expect([walk.state.currentPartId, partsOf(walk.state)]).toEqual(['film', ['film']]);
    expect(walk.play('aside', 5_000)).toBe('beyondGate');
  });

  test('is not told to a browser, which waits for what it leads to', () => {
    const view = learnerView(bridgeWays, beginAttempt({ begunAt: 0, secret: 'of a test' }), {}, allShown);
    expect(JSON.stringify(view)).not.toMatch(/scoreBelow|"percent"|slower/);
    const walk = walker(view.lesson as never, {}, { lesson: view.lesson, terms: defaultTerms, mark: () => null });
    walk.play('film', 5_000);
    walk.answer('check', false);
    expect(partsOf(walk.state)).toEqual(['film']);
    expect(playLimitMs(view.lesson.parts[0] as never, walk.state, { terms: defaultTerms })).toBe(5_000);
  });

  test.each([
    ['scoreFrom', { kind: 'scoreFrom', percent: 100 } as const, true],
    ['picked', { kind: 'picked', questionId: 'c-q', optionId: 'o-tension' } as const, false],
  ])('%s', (_, when, isRight) => {
    const ways = lesson(clip('a', [check('c', [{ id: 'r', when, to: toPart('c') }])]), clip('b'), clip('c'));
    for (const right of [true, false]) {
      const walk = walker(ways);
      walk.play('a', 5_000);
      walk.answer('c', right);
      expect(walk.state.currentPartId === 'c').toBe(right === isRight);
    }
  });
});

describe('a fork', () => {
  const atFork = (terms: Partial<Terms> = {}) => {
    const walk = walker(bridgeWays, terms);
    walk.play('film', 5_000);
    walk.answer('check', true);
    walk.play('film', 10_000);
    return walk;
  };

  test('leads where it was chosen to, and the other branch stays shut', () => {
    const walk = atFork();
    expect(walk.choose('fork', 1)).toBe('taken');
    expect(walk.state.currentPartId).toBe('cable');
    expect(walk.play('arch', 5_000)).toBe('beyondGate');
    walk.play('cable', 20_000);
    expect(nextPart(walk.context, walk.state, bridgeWays.parts[3] as never)?.id).toBe('end');
    walk.play('end', 5_000);
    walk.answer('end-check', true);
    expect(canHandIn(walk.context, walk.state)).toBe(false);
    walk.play('end', 10_000);
    expect(canHandIn(walk.context, walk.state)).toBe(true);
    walk.act({ type: 'handedIn' });
    // Points on the way that was taken: the check of the arch is on the other.
    expect(sheetRowOf(bridgeWays, walk.state)).toMatchObject({ earned: 400, possible: 400, progress: 1 });
    expect(walk.state.stops['arch-check']).toBeUndefined();
  });

  test('can be chosen at again only where the terms let a student turn back', () => {
    const strict = atFork();
    strict.choose('fork', 1);
    expect(strict.act({ type: 'chose', stopId: 'fork', choiceId: 'fork-0' })).toBe('mayNotTurnBack');
    const walk = atFork({ turningBack: true });
    walk.choose('fork', 1);
    walk.play('cable', 10_000);
    const before = progressOf(bridgeWays, walk.state);
    expect(walk.act({ type: 'chose', stopId: 'fork', choiceId: 'fork-0' })).toBe('taken');
    expect([walk.state.currentPartId, partsOf(walk.state)]).toEqual(['arch', ['film', 'arch']]);
    expect(progressOf(bridgeWays, walk.state)).toBeGreaterThanOrEqual(before);
  });

  test('takes no way it does not have, and none before it is reached', () => {
    const walk = atFork();
    expect(walk.act({ type: 'chose', stopId: 'fork', choiceId: 'fork-0' })).toBe('notOpen');
    walk.act({ type: 'reachedStop', stopId: 'fork' });
    expect(walk.act({ type: 'chose', stopId: 'fork', choiceId: 'gone' })).toBe('choiceUnknown');
    expect(walk.act({ type: 'chose', stopId: 'check', choiceId: 'fork-0' })).toBe('wrongKind');
  });

  test('decides the way, whatever the terms let a student skip', () => {
    const walk = walker(bridgeWays, { skipping: true });
    expect(walk.play('arch', 5_000)).toBe('beyondGate');
    expect(walk.act({ type: 'reachedStop', stopId: 'arch-check' })).toBe('notReached');
    walk.play('film', 10_000);
    walk.answer('check', true);
    walk.choose('fork', 0);
    expect(walk.play('arch', 5_000)).toBe('taken');
  });

  test('that leads round is asked again', () => {
    const round = lesson(clip('a', [fork('f', [toPart('a'), { kind: 'onward' }])]), clip('b'));
    const walk = walker(round);
    walk.play('a', 10_000);
    walk.choose('f', 0);
    expect(walk.state.stops.f).toBeUndefined();
    walk.choose('f', 1);
    expect(nextPart(walk.context, walk.state, round.parts[0] as never)?.id).toBe('b');
  });

  test('can lead to any place of a part, and what stands before it is not asked', () => {
    const at = (partId: string, atMs: number) => ({ kind: 'part', partId, at: { atMs } }) as const;
    const ways = lesson(
      clip('a', [fork('f', [at('b', 4_000), at('a', 2_000)])]),
      clip('b', [check('b-1', [], 3_000), check('b-2', [], 6_000)]),
    );
    const into = walker(ways);
    into.play('a', 10_000);
    into.choose('f', 0);
    expect(into.state.parts.b).toMatchObject({ positionMs: 4_000 });
    expect(into.play('b', 6_000)).toBe('taken');
    expect(into.answer('b-1', true)).toBe('notOpen');
    expect(into.answer('b-2', true)).toBe('taken');
    into.play('b', 10_000);
    expect(canHandIn(into.context, into.state)).toBe(true);
    const again = walker(ways);
    again.play('a', 10_000);
    again.choose('f', 1);
    expect([again.state.parts.a?.positionMs, again.state.stops.f]).toEqual([2_000, undefined]);
    expect(tryRoutes(ways).routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
    for (const gone of [at('b', 10_000), at('b', 20_000)])
      expect(checkPath(lesson(clip('a', [fork('f', [gone, { kind: 'onward' }])]), clip('b')))).toMatchObject([
        { code: 'wayNowhere', stopId: 'f' },
      ]);
  });

  test('can lead into the middle of a part, to the end, and forward in its own', () => {
    const ways = lesson(
      clip('a', [fork('f', [toPart('b', 'b-2'), { kind: 'end' }, toPart('a', 'a-2')], 2_000), check('a-2', [], 8_000)]),
      clip('b', [check('b-1', [], 3_000), check('b-2', [], 6_000)]),
    );
    const into = walker(ways);
    into.play('a', 2_000);
    into.choose('f', 0);
    expect(into.state.parts.b).toMatchObject({ positionMs: 6_000 });
    expect(into.answer('b-2', true)).toBe('taken');
    expect(into.answer('b-1', true)).not.toBe('taken');
    into.play('b', 10_000);
    expect(canHandIn(into.context, into.state)).toBe(true);
    const end = walker(ways);
    end.play('a', 2_000);
    end.choose('f', 1);
    expect(canHandIn(end.context, end.state)).toBe(true);
    const forward = walker(ways);
    forward.play('a', 2_000);
    forward.choose('f', 2);
    expect(forward.answer('a-2', true)).toBe('taken');
  });
});

test('parts in any order are open once those before them are done', () => {
  const free = { ...lesson(clip('a'), clip('b'), clip('c')), freeFrom: 1 };
  const walk = walker(free);
  expect(walk.play('c', 5_000)).toBe('beyondGate');
  walk.play('a', 10_000);
  expect(walk.play('c', 10_000)).toBe('taken');
  expect(nextPart(walk.context, walk.state, free.parts[2] as never)?.id).toBe('b');
  walk.play('b', 10_000);
  expect(canHandIn(walk.context, walk.state)).toBe(true);
});

/** Paths of every shape an edition may have: forks onwards and back, rules into asides, parts that lead elsewhere. */
const anyWays = fc
  .array(fc.tuple(fc.nat(3), fc.nat(100), fc.nat(100)), { minLength: 2, maxLength: 7 })
  .map((shapes) => {
    const count = shapes.length;
    const parts = shapes.map(([shape, a, b], index) => {
      const to = (random: number) => toPart(`p-${random % count}`);
      const turn = shape === 1 ? [fork(`f-${index}`, [to(a), { kind: 'onward' }])] : [];
      const rule = { id: 'r', when: { kind: 'scoreBelow', percent: 50 } as const, to: toPart('aside') };
      const asks = [check(`c-${index}`, shape === 2 ? [rule] : [])];
      const then =
        shape === 3 && b % 2 === 0 && index + 1 < count
          ? { next: toPart(`p-${index + 1 + (b % (count - 1 - index))}`) }
          : {};
      return clip(`p-${index}`, [...asks, ...turn], then);
    });
    return lesson(...parts, clip('aside', [check('c-aside')], { next: { kind: 'back' } }));
  });

test('progress never falls, whatever is done, and whoever goes on is never stuck', () => {
  fc.assert(
    fc.property(anyWays, fc.array(fc.nat(1_000), { minLength: 60, maxLength: 60 }), (ways, dice) => {
      const walk = walker(ways, { turningBack: true });
      let before = 0;
      let partId = ways.parts[0]?.id ?? '';
      for (const die of dice) {
        const { state } = walk;
        partId = state.route?.legs.at(-1)?.partId ?? partId;
        const part = ways.parts.find(({ id }) => id === partId);
        const open = findOpenStop(ways, state)?.stop;
        const chosen = Object.entries(state.stops).filter(([, { phase }]) => phase === 'chosen');
        if (open?.kind === 'fork')
          walk.act({ type: 'chose', stopId: open.id, choiceId: `${open.id}-${die % open.choices.length}` });
        else if (open) walk.answer(open.id, die % 2 === 0);
        else if (die % 7 === 0 && chosen[0])
          walk.act({ type: 'chose', stopId: chosen[0][0], choiceId: `${chosen[0][0]}-1` });
        else if (part) {
          const next = nextUnsettledStop(part, state);
          walk.play(partId, next?.atMs ?? part.outMs);
          if (next) expect(walk.act({ type: 'reachedStop', stopId: next.id })).toBe('taken');
        }
        const after = progressOf(ways, walk.state);
        expect(after).toBeGreaterThanOrEqual(before - 1e-12);
        expect(after).toBeLessThanOrEqual(1);
        before = after;
      }
    }),
    { numRuns: 300 },
  );
});

test('whoever looks back at a part that is done goes on at once where they were', () => {
  const straight = lesson(clip('a'), clip('b'), clip('c'));
  const walk = walker(straight);
  walk.play('a', 10_000);
  walk.play('b', 10_000);
  walk.play('c', 3_000);
  expect(nextPart(walk.context, walk.state, straight.parts[0] as never)?.id).toBe('c');
  walk.play('c', 10_000);
  expect(nextPart(walk.context, walk.state, straight.parts[0] as never)).toBeUndefined();
  const ways = walker(bridgeWays);
  ways.play('film', 5_000);
  ways.answer('check', false);
  expect(nextPart(ways.context, ways.state, bridgeWays.parts[0] as never)?.id).toBe('aside');
});

describe('trying all routes', () => {
  test('walks each to its end, with answers on both sides of every rule', () => {
    const { routes, isComplete } = tryRoutes(bridgeWays);
    expect(isComplete).toBe(true);
    expect(routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
    const ways = new Set(routes.map(({ partIds }) => partIds.join(' ')));
    expect(ways).toEqual(
      new Set(['film arch end', 'film cable end', 'film aside film arch end', 'film aside film cable end']),
    );
  });

  test('takes every way at least once where there are too many', () => {
    const { routes, isComplete } = tryRoutes(diamonds(30));
    expect(isComplete).toBe(false);
    const met = new Set(routes.flatMap(({ partIds }) => partIds));
    expect(met.size).toBe(91);
    expect(routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
  });

  test('also those behind a turn where another way leads to the end at once', () => {
    const { parts } = diamonds(9);
    const early = lesson(clip('door', [fork('out', [{ kind: 'end' }, toPart('top-0')])]), ...parts);
    const { routes, isComplete } = tryRoutes(early);
    expect(isComplete).toBe(false);
    expect(new Set(routes.flatMap(({ partIds }) => partIds)).size).toBe(parts.length + 1);
    expect(routes.length).toBeLessThan(20);
  });

  test('of a lesson of 500 parts, without going through them hundreds of times', () => {
    const { routes } = tryRoutes(diamonds(166));
    expect(routes.length).toBeLessThan(10);
    expect(routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
  });

  test('tells where a route is stuck', () => {
    const round = lesson(clip('a', [fork('f', [toPart('a')])]));
    expect(tryRoutes(round).routes.some(({ stuckAt }) => stuckAt?.partId === 'a')).toBe(true);
  });
});

test('in a free order, one chooses among what is open: at the beginning where all is free, and after each part', () => {
  const three = { ...lesson(clip('a'), clip('b'), clip('c')), freeFrom: 0 };
  const walk = walker(three);
  const open = (partId: string, isFresh = false) => {
    const part = three.parts.find(({ id }) => id === partId);
    return part && freeParts(walk.context, walk.state, part, isFresh).map(({ id }) => id);
  };
  expect(open('a', true)).toEqual(['a', 'b', 'c']);
  expect(open('a')).toEqual([]);
  walk.play('c', 10_000);
  expect(open('c')).toEqual(['a', 'b']);
  const first = { ...three, freeFrom: 1 };
  const begun = walker(first);
  expect(begun.play('b', 10_000)).toBe('beyondGate');
  begun.play('a', 10_000);
  expect(freeParts(begun.context, begun.state, first.parts[0] as never).map(({ id }) => id)).toEqual(['b', 'c']);
});
