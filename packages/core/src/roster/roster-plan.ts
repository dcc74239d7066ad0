import { nameKey } from './person-name.ts';
import { isUserName, userNameFor } from './user-name.ts';

/** A person whom somebody wants in a class. */
export interface WantedStudent {
  readonly displayName: string;
  /** In small letters; empty where one is to be made. */
  readonly userName: string;
  readonly groups: readonly string[];
}

/** A student who is in the class already. */
export interface StudentOnRoster extends WantedStudent {
  readonly id: string;
}

/** Somebody else of the school whose user name stands on the list. */
export interface KnownPerson {
  readonly id: string;
  readonly displayName: string;
  readonly isStudent: boolean;
}

export type RowFault = 'nameMissing' | 'userNameUnusable' | 'userNameTaken' | 'twiceOnList';

/** What one row of a list comes to. */
export type PlannedRow =
  /** A new account. */
  | { readonly kind: 'add'; readonly userName: string; readonly hasNamesake: boolean }
  /** A student of the school who is not in this class yet. */
  | { readonly kind: 'bringIn'; readonly studentId: string; readonly userName: string }
  | { readonly kind: 'update'; readonly studentId: string; readonly userName: string; readonly was: string }
  | { readonly kind: 'same'; readonly studentId: string; readonly userName: string }
  | { readonly kind: 'fault'; readonly fault: RowFault };

export interface RosterPlan {
  /** For each row of the list, in its order. */
  readonly rows: readonly PlannedRow[];
  /** Students of the class who are not on the list. Nobody is taken out unasked. */
  readonly missing: readonly StudentOnRoster[];
}

interface School {
  readonly roster: readonly StudentOnRoster[];
  /** Somebody of the school who signs in with a user name, in the class or not. */
  readonly findByUserName: (userName: string) => KnownPerson | undefined;
}

/**
 * What a list of people comes to for a class: who is new, who is there already, what is different. A user name says who
 * somebody is; without one, the name does, as long as only one student of the class has it.
 * @param list at most a few hundred
 */
export function planRoster(list: readonly WantedStudent[], { roster, findByUserName }: School): RosterPlan {
  const byId = new Map(roster.map((student) => [student.id, student]));
  const byName = new Map<string, StudentOnRoster[]>();
  for (const student of roster) {
    const key = nameKey(student.displayName);
    byName.set(key, [...(byName.get(key) ?? []), student]);
  }
  const met = new Set<string>();
  // Names on the list are spoken for before any is made up.
  const taken = new Set(list.map(({ userName }) => userName).filter((userName) => userName !== ''));
  const given = new Set<string>();
  const toRow = (wanted: WantedStudent): PlannedRow => {
    const { displayName, userName } = wanted;
    if (displayName === '') return { kind: 'fault', fault: 'nameMissing' };
    if (userName === '') {
      const namesakes = byName.get(nameKey(displayName)) ?? [];
      const student = namesakes.find(({ id }) => !met.has(id));
      if (student) return meet(student, wanted);
      const made = userNameFor(displayName, (name) => taken.has(name) || findByUserName(name) !== undefined);
      taken.add(made);
      return { kind: 'add', userName: made, hasNamesake: namesakes.length > 0 };
    }
    if (!isUserName(userName)) return { kind: 'fault', fault: 'userNameUnusable' };
    if (given.has(userName)) return { kind: 'fault', fault: 'twiceOnList' };
    given.add(userName);
    const known = findByUserName(userName);
    if (!known) return { kind: 'add', userName, hasNamesake: (byName.get(nameKey(displayName)) ?? []).length > 0 };
    const student = byId.get(known.id);
    if (student) return met.has(student.id) ? { kind: 'fault', fault: 'twiceOnList' } : meet(student, wanted);
    // Whoever has the user name but another name is somebody else: no teacher reaches them by a guess.
    if (!known.isStudent || nameKey(known.displayName) !== nameKey(displayName))
      return { kind: 'fault', fault: 'userNameTaken' };
    return { kind: 'bringIn', studentId: known.id, userName };
  };
  const meet = (student: StudentOnRoster, wanted: WantedStudent): PlannedRow => {
    met.add(student.id);
    const place = { studentId: student.id, userName: student.userName };
    const hasNewGroup = wanted.groups.some((name) => !student.groups.includes(name));
    return student.displayName === wanted.displayName && !hasNewGroup
      ? { kind: 'same', ...place }
      : { kind: 'update', ...place, was: student.displayName };
  };
  // Whoever is named by their user name is found first, so that a namesake's row does not take their place.
  const order = list.map((_, index) => index).toSorted((a, b) => rank(list[a]) - rank(list[b]) || a - b);
  const rows: PlannedRow[] = [];
  for (const index of order) rows[index] = toRow(list[index] as WantedStudent);
  return { rows, missing: roster.filter(({ id }) => !met.has(id)) };
}

const rank = (wanted: WantedStudent | undefined): number => (wanted?.userName === '' ? 1 : 0);
