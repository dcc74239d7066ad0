import { type WindowFault, windowFault } from '@semita/core/assignment';
import type { OutputOf, routes } from '@semita/core/contract';
import { unreadableDate } from '../../ui/date-time-field.tsx';

export type Roster = OutputOf<(typeof routes)['listRosters']>[number];

/** Local dates and times as fields hold them, empty for no limit. */
export interface LocalWindow {
  readonly opensAt: string;
  readonly dueAt: string;
  readonly closesAt: string;
}

export const noWindow: LocalWindow = { opensAt: '', dueAt: '', closesAt: '' };

/** A class, a group of it or one of its students, to whom something is to be given. */
export interface Chosen {
  readonly kind: 'class' | 'group' | 'student';
  readonly id: string;
  readonly classId: string;
  readonly name: string;
  readonly studentIds: readonly string[];
  /** Own dates; null for those of all. */
  readonly window: LocalWindow | null;
}

export function chooseFrom(roster: Roster, kind: Chosen['kind'], id: string): Chosen {
  const base = { kind, id, classId: roster.id, window: null };
  if (kind === 'class') return { ...base, name: roster.name, studentIds: roster.students.map((one) => one.id) };
  const group = roster.groups.find((one) => one.id === id);
  if (kind === 'group') return { ...base, name: `${group?.name}, ${roster.name}`, studentIds: group?.studentIds ?? [] };
  return { ...base, name: roster.students.find((one) => one.id === id)?.displayName ?? '', studentIds: [id] };
}

/** What the contract takes: null for no limit. */
export const toSentWindow = ({ opensAt, dueAt, closesAt }: LocalWindow) => ({
  ...{ opensAt: opensAt || null, dueAt: dueAt || null, closesAt: closesAt || null },
});

/** What is out of order in a window as it is typed, or cannot be read. */
export function faultOf(window: LocalWindow): WindowFault | 'unreadable' | null {
  return Object.values(window).includes(unreadableDate) ? 'unreadable' : windowFault(toSentWindow(window));
}

/** Students who get it by one of several ways, each once, and those who have more time for what is timed. */
export function studentsOf(chosen: readonly Chosen[], rosters: readonly Roster[]) {
  const ids = new Set(chosen.flatMap(({ studentIds }) => studentIds));
  const all = new Map(rosters.flatMap(({ students }) => students.map((student) => [student.id, student] as const)));
  const students = [...ids].flatMap((id) => all.get(id) ?? []);
  return { count: students.length, withMoreTime: students.filter(({ extraTime }) => extraTime > 1) };
}
