import type { Lesson, Rule, Target } from '../lesson/lesson.ts';
import type { LessonChange } from '../lesson/lesson-change.ts';
import type { Way } from './ways.ts';

/**
 * The change that makes a way lead elsewhere.
 * @param way one of `waysOf` the lesson
 * @returns null where the way is not one a teacher has laid, as the way back from an aside, or cannot lead there
 */
export function retargetWay(lesson: Lesson, way: Way, to: Target): LessonChange | null {
  const part = lesson.parts.find(({ id }) => id === way.fromPartId);
  if (!part) return null;
  const { via } = way;
  const changeRule = (rules: readonly Rule[] | undefined, ruleId: string): readonly Rule[] =>
    (rules ?? []).map((rule) => (rule.id === ruleId ? { ...rule, to } : rule));
  const stop = part.stops.find(({ id }) => id === way.stopId);
  switch (via.kind) {
    case 'choice': {
      if (stop?.kind !== 'fork') return null;
      const choices = stop.choices.map((choice) => (choice.id === via.choiceId ? { ...choice, to } : choice));
      return { type: 'replaceStop', partId: part.id, stop: { ...stop, choices } };
    }
    case 'tile': {
      // A tile leads to a part, from its beginning.
      if (stop?.kind !== 'board' || to.kind !== 'part') return null;
      const target = { kind: 'part' as const, partId: to.partId };
      const tiles = stop.tiles.map((tile) => (tile.id === via.tileId ? { ...tile, to: target } : tile));
      return { type: 'replaceStop', partId: part.id, stop: { ...stop, tiles } };
    }
    case 'rule': {
      if (stop?.kind === 'checkpoint') {
        const rules = changeRule(stop.rules, via.ruleId);
        return { type: 'replaceStop', partId: part.id, stop: { ...stop, rules } };
      }
      const rules = changeRule(part.rules, via.ruleId);
      return { type: 'setWay', partId: part.id, next: part.next ?? null, rules };
    }
    default: {
      if (way.target.kind === 'back') return null;
      const next = to.kind === 'onward' ? null : to;
      return { type: 'setWay', partId: part.id, next, rules: part.rules ?? [] };
    }
  }
}
