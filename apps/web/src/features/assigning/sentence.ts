import type { partsForSome } from '@semita/core/lesson';
import { writeLocal } from '../../ui/date-time-field.tsx';
import { t } from '../../words/words.ts';
import { type Chosen, type LocalWindow, type Roster, studentsOf } from './given-to.ts';
import './words.ts';

/** What is about to happen, in words: to how many, from when, until when, and who is different. */
export function sentenceOf(
  chosen: readonly Chosen[],
  window: LocalWindow,
  rosters: readonly Roster[],
  forSome: ReturnType<typeof partsForSome> = [],
): string {
  const { withMoreTime } = studentsOf(chosen, rosters);
  const clauses = chosen.map((one) => {
    const whom =
      one.kind === 'student'
        ? one.name
        : t(one.kind === 'group' ? 'assign.members' : 'assign.students', {
            count: one.studentIds.length,
            name: one.name,
          });
    return [whom, datesOf(one.window ?? window)].join(' ');
  });
  const more = [...new Set(withMoreTime.map(({ extraTime }) => extraTime))].toSorted().map((factor) => {
    const names = withMoreTime.filter(({ extraTime }) => extraTime === factor).map(({ displayName }) => displayName);
    return t('assign.moreTime', { names: listed(names), count: names.length, percent: Math.round((factor - 1) * 100) });
  });
  return `${[...clauses, ...more, ...forSome.map((part) => partInWords(part, chosen, rosters))].join('; ')}.`;
}

/** Who of them gets a part that is only for some. */
function partInWords(
  { title, groups }: ReturnType<typeof partsForSome>[number],
  chosen: readonly Chosen[],
  rosters: readonly Roster[],
): string {
  const receiving = new Map<string, Set<string>>();
  for (const { classId, studentIds } of chosen)
    receiving.set(classId, new Set([...(receiving.get(classId) ?? []), ...studentIds]));
  const members = new Set(
    rosters.flatMap((roster) =>
      roster.groups
        .filter(({ name }) => groups.includes(name))
        .flatMap(({ studentIds }) => studentIds.filter((id) => receiving.get(roster.id)?.has(id))),
    ),
  );
  const names = new Intl.ListFormat('en', { type: 'disjunction' }).format(groups.map((name) => `“${name}”`));
  return members.size === 0
    ? t('assign.partForNobody', { groups: names, title })
    : t('assign.partFor', { count: members.size, groups: names, title });
}

function datesOf({ opensAt, dueAt, closesAt }: LocalWindow): string {
  const parts = [
    opensAt === '' ? t('assign.fromNow') : t('assign.from', { time: writeLocal(opensAt) }),
    dueAt === '' ? t('assign.noDue') : t('assign.dueAt', { time: writeLocal(dueAt) }),
    ...(closesAt === '' ? [] : [t('assign.closesAt', { time: writeLocal(closesAt) })]),
  ];
  return parts.join(', ');
}

const listed = (names: readonly string[]): string =>
  new Intl.ListFormat('en', { type: 'conjunction' }).format(
    names.length > 4 ? [...names.slice(0, 3), t('assign.others', { count: names.length - 3 })] : names,
  );
