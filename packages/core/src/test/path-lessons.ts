import type { Board, BoardNeed, Tile } from '../lesson/board.ts';
import {
  type Checkpoint,
  type Fork,
  type Lesson,
  type MaterialPart,
  type Part,
  type Rule,
  type Stop,
  type Target,
  type UntimedPart,
  untimedWindow,
} from '../lesson/lesson.ts';
import { pickOne } from './bridge-lesson.ts';

/** A clip of ten seconds. */
export const clip = (id: string, stops: readonly Stop[] = [], more: Partial<MaterialPart> = {}): MaterialPart => ({
  ...{ id, kind: 'clip', title: id, materialId: 'film', inMs: 0, outMs: 10_000, stops },
  ...more,
});

export const toPart = (partId: string, stopId?: string): Target => ({
  kind: 'part',
  partId,
  ...(stopId ? { stopId } : {}),
});

/** A fork with a choice for each target, named after its place. */
export const fork = (id: string, targets: readonly Target[], atMs = 10_000): Fork => ({
  ...{ id, kind: 'fork', atMs, prompt: 'Which way?' },
  choices: targets.map((to, index) => ({ id: `${id}-${index}`, words: `Way ${index}`, to })),
});

export const check = (id: string, rules: readonly Rule[] = [], atMs = 5_000): Checkpoint => ({
  ...{ id, kind: 'checkpoint', atMs, required: true, questions: [{ ...pickOne, id: `${id}-q` }] },
  ...(rules.length > 0 ? { rules } : {}),
});

export const lesson = (...parts: readonly Part[]): Lesson => ({ title: 'Ways', parts });

/**
 * A film with a check that sends those below 60 % to an aside and back, and a fork at its end to two branches that
 * meet again.
 */
export const bridgeWays: Lesson = lesson(
  clip('film', [
    check('check', [{ id: 'slower', when: { kind: 'scoreBelow', percent: 60 }, to: toPart('aside') }]),
    fork('fork', [toPart('arch'), toPart('cable')]),
  ]),
  clip('aside', [], { next: { kind: 'back' } }),
  clip('arch', [check('arch-check')], { next: toPart('end') }),
  clip('cable', [], { outMs: 20_000 }),
  clip('end', [check('end-check')]),
);

/** A chain of diamonds: at the end of each part two ways to the next, so 2 to the power of its length routes. */
export function diamonds(count: number): Lesson {
  const parts = Array.from({ length: count }, (_, index) => [
    clip(`top-${index}`, [fork(`fork-${index}`, [toPart(`left-${index}`), toPart(`right-${index}`)])]),
    clip(`left-${index}`, [], { next: toPart(`top-${index + 1}`) }),
    clip(`right-${index}`, [], { next: toPart(`top-${index + 1}`) }),
  ]).flat();
  return lesson(...parts, clip(`top-${count}`));
}

/** A tile to a part, or to an address where the part is null; named after its place. */
export const tile = (id: string, partId: string | null, more: Partial<Tile> = {}): Tile => ({
  ...{ id, title: `Tile ${id}`, colour: 'plain', does: 'make', minutes: 2, worth: 1 },
  to: partId === null ? { kind: 'address', url: 'https://bridges.example/' } : { kind: 'part', partId },
  ...more,
});

/** A part with a board. */
export function boardPart(id: string, tiles: readonly Tile[], need: BoardNeed, columns = 2): UntimedPart {
  const board: Board = {
    ...{ id: `${id}-board`, kind: 'board', atMs: 0, prompt: 'Choose.' },
    ...{ arrangement: 'grid', columns, tiles, need },
  };
  return { id, kind: 'board', title: id, ...untimedWindow, stops: [board] };
}

export const back = { next: { kind: 'back' } } as const;

/** A film, then a board with two parts and an address behind its tiles, of which two are asked for, then the end. */
export const boardLesson: Lesson = lesson(
  clip('film', []),
  boardPart('choose', [tile('t-draw', 'draw'), tile('t-build', 'build'), tile('t-look', null)], {
    ...{ kind: 'any', count: 2 },
  }),
  clip('draw', [check('draw-check')], back),
  clip('build', [], { next: toPart('build-more') }),
  clip('build-more', [], back),
  clip('end', []),
);
