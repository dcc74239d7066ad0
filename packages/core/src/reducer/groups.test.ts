import { describe, expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import { teacherSittingId } from '../attempt/attempt-event.ts';
import { tryRoutes } from '../checks/try-routes.ts';
import { learnerView } from '../learner/learner-view.ts';
import { groupsOf } from '../lesson/groups-of.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { lessonForGroups } from '../own-lesson/lesson-for-groups.ts';
import { sheetRowOf } from '../sheet/sheet-row.ts';
import { back, boardPart, check, clip, fork, lesson, tile, toPart } from '../test/path-lessons.ts';
import { walker } from '../test/walker.ts';
import { canHandIn, findOpenStop, openChoices } from '../walk/gates.ts';
import { takeIn } from './take-in.ts';

const runners = 'ready to run on';
const ways = fork('fork', [toPart('end'), toPart('extra')]);

/** A rule sends one group its own way; an extra, a choice and a tile are for another only. */
const forGroups: Lesson = lesson(
  clip('film', [
    check('check', [{ id: 'plain', when: { kind: 'inGroup', group: 'plain words' }, to: toPart('plain') }]),
    {
      ...ways,
      choices: ways.choices.map((choice, index) => (index === 1 ? { ...choice, onlyFor: [runners] } : choice)),
    },
  ]),
  clip('plain', [], back),
  clip('extra', [check('extra-check')], { onlyFor: [runners], next: toPart('end') }),
  boardPart('end', [tile('a', 'make'), tile('b', null, { onlyFor: [runners] })], { kind: 'any', count: 2 }),
  clip('make', [], back),
);

function walkAs(groups: readonly string[]) {
  const walk = walker(forGroups);
  const envelope = { id: 'g', sittingId: teacherSittingId, n: 0, at: 0, receivedAt: 0 };
  const { state } = takeIn(walk.context, walk.state, { ...envelope, type: 'grouped', groups, by: 'class' });
  return walker(forGroups, {}, walk.context, state);
}

describe('a lesson for groups', () => {
  test('names the groups it speaks of', () => {
    expect(groupsOf(forGroups)).toEqual(['plain words', runners]);
  });

  test('leaves out what is for others, and the ways there; a board asks for no more than it has', () => {
    const own = lessonForGroups(forGroups, []);
    expect(own.parts.map(({ id }) => id)).toEqual(['film', 'plain', 'end', 'make']);
    expect(own.parts[0]?.stops[1]).toMatchObject({ choices: [{ id: 'fork-0' }] });
    expect(own.parts[2]?.stops[0]).toMatchObject({ tiles: [{ id: 'a' }], need: { kind: 'any', count: 1 } });
    expect(lessonForGroups(forGroups, [runners]).parts).toHaveLength(5);
  });

  test('which groups there are, and which one is in, is told to no student', () => {
    const seen = JSON.stringify(learnerView(forGroups, walkAs([runners, 'plain words']).state, {}, allShown));
    expect(seen).toContain('extra');
    expect(seen).not.toMatch(/ready to run on|plain words/);
  });

  test('nothing of it reaches the others', () => {
    const seen = JSON.stringify(learnerView(forGroups, walkAs([]).state, {}, allShown));
    expect(seen).not.toContain('extra');
    expect(seen).not.toContain(runners);
  });

  test('a rule by group holds for those in it', () => {
    const walk = walkAs(['plain words']);
    walk.play('film', 5_000);
    walk.answer('check', true);
    expect(walk.state.currentPartId).toBe('plain');
    const other = walkAs([]);
    other.play('film', 5_000);
    other.answer('check', true);
    expect(other.state.currentPartId).toBe('film');
  });

  test('a way for others cannot be taken, and rows of the sheet have the same columns', () => {
    const walk = walkAs([]);
    walk.play('film', 5_000);
    walk.answer('check', true);
    walk.play('film', 10_000);
    expect(walk.choose('fork', 1)).toBe('choiceUnknown');
    expect(walk.choose('fork', 0)).toBe('taken');
    expect(sheetRowOf(forGroups, walk.state).marks).toHaveLength(4);
    walk.act({ type: 'reachedStop', stopId: 'end-board' });
    walk.act({ type: 'openedTile', stopId: 'end-board', tileId: 'a' });
    walk.play('make', 10_000);
    walk.act({ type: 'acknowledged', stopId: 'end-board' });
    expect(canHandIn(walk.context, walk.state)).toBe(true);
  });

  test('routes are tried as each group would walk them', () => {
    const { routes } = tryRoutes(forGroups);
    const told = new Set(routes.map(({ partIds }) => [...new Set(partIds)].join(' ')));
    expect(told).toContain('film plain end make');
    expect(told).toContain('film extra end make');
    expect(routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
  });
});

test('a way that waits for a part is offered once that part is done', () => {
  const loop = fork('loop', [toPart('left'), toPart('right'), { kind: 'end' }]);
  const waiting = lesson(
    clip('hall', [
      { ...loop, choices: loop.choices.map((choice, index) => (index === 2 ? { ...choice, after: 'left' } : choice)) },
    ]),
    clip('left', [], { next: toPart('hall') }),
    clip('right', [], { next: toPart('hall') }),
  );
  const walk = walker(waiting);
  walk.play('hall', 10_000);
  expect(walk.choose('loop', 2)).toBe('choiceUnknown');
  walk.choose('loop', 1);
  walk.play('right', 10_000);
  const open = () =>
    openChoices(
      waiting,
      walk.state,
      loop.choices.map((choice, index) => (index === 2 ? { ...choice, after: 'left' } : choice)),
    );
  walk.act({ type: 'reachedStop', stopId: 'loop' });
  expect(findOpenStop(waiting, walk.state)?.stop.id).toBe('loop');
  expect(open().map(({ id }) => id)).toEqual(['loop-0', 'loop-1']);
  walk.choose('loop', 0);
  walk.play('left', 10_000);
  walk.act({ type: 'reachedStop', stopId: 'loop' });
  expect(open()).toHaveLength(3);
  expect(walk.choose('loop', 2)).toBe('taken');
  expect(canHandIn(walk.context, walk.state)).toBe(true);
  expect(tryRoutes(waiting).routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
});
