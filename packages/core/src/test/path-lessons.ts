import type { Checkpoint, Fork, Lesson, MaterialPart, Rule, Stop, Target } from '../lesson/lesson.ts';
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

export const lesson = (...parts: readonly MaterialPart[]): Lesson => ({ title: 'Ways', parts });

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
