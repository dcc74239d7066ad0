import type { Lesson, Rule } from './lesson.ts';

/** Names of the groups a lesson speaks of, each once, in the order it does. */
export function groupsOf({ parts }: Lesson): readonly string[] {
  const ofRules = (rules: readonly Rule[] | undefined) =>
    (rules ?? []).flatMap(({ when }) => (when.kind === 'inGroup' ? [when.group] : []));
  const names = parts.flatMap(({ onlyFor, rules, stops }) => [
    ...(onlyFor ?? []),
    ...ofRules(rules),
    ...stops.flatMap((stop) => {
      if (stop.kind === 'fork') return stop.choices.flatMap((choice) => choice.onlyFor ?? []);
      if (stop.kind === 'board') return stop.tiles.flatMap((tile) => tile.onlyFor ?? []);
      return stop.kind === 'checkpoint' ? ofRules(stop.rules) : [];
    }),
  ]);
  return [...new Set(names)];
}

/** Parts that only some are given, and the names of the groups of those. */
export function partsForSome({
  parts,
}: Pick<Lesson, 'parts'>): { readonly title: string; readonly groups: readonly string[] }[] {
  return parts.flatMap(({ title, onlyFor }) => (onlyFor ? [{ title, groups: onlyFor }] : []));
}
