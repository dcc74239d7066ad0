import { markedPoints } from '@semita/core/analysis';
import { worthOf } from '@semita/core/assignment';
import { localDay } from '@semita/core/calendar';
import type { Gradebook, KeptGradebook, SentGradeOverride } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import {
  type GradebookCell,
  type GradebookColumn,
  type GradebookInput,
  type GradebookRules,
  wholeOf,
} from '@semita/core/gradebook';
import { isLate, type SheetRow } from '@semita/core/sheet';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import { cameTooLate, type SheetRepository, type StoredOutline } from '../assignments/sheet-repository.ts';
import type { GradebookRepository, MadeOverride } from './gradebook-repository.ts';

export type GradebookService = ReturnType<typeof createGradebookService>;

interface Options extends Pick<Deps, 'clock' | 'newId'> {
  readonly repository: GradebookRepository;
  readonly assignments: Pick<AssignmentRepository, 'listInClasses'>;
  readonly given: Pick<AssignedLessons, 'figuresOf' | 'givenOf' | 'preloadGiven'>;
  readonly sheets: Pick<SheetRepository, 'listOutlines' | 'rowsOf'>;
}

/** More than anybody looks through; older ones can be removed. */
const mostKept = 100;

/** What the results of a class come to. Nothing of it is stored but rules, what was given by hand, and what is kept. */
export function createGradebookService(options: Options) {
  const { clock, newId, repository, assignments, given, sheets } = options;

  const readInput = (classId: string, timeZone: string): GradebookInput => {
    const rows = assignments.listInClasses([classId], false).toReversed();
    const ids = rows.map(({ id }) => id);
    given.preloadGiven(ids);
    const figures = given.figuresOf(rows);
    const outlines = sheets.listOutlines(ids, new Set([classId])).filter(({ assignmentId, terms }) => {
      // Who came by a link is nobody of the class.
      const to = given.givenOf(assignmentId).addressees.get(terms.addresseeId);
      return to?.kind !== 'guests';
    });
    const unsorted = rows.map(({ id, editionId, createdAt }): GradebookColumn => {
      const { terms, addressees } = given.givenOf(id);
      const own = [...addressees.values()].find((to) => to.classId === classId);
      const dueAt = own?.windows.at(-1)?.dueAt ?? null;
      return {
        ...{ assignmentId: id, title: figures.get(editionId)?.title ?? '', category: terms.category ?? '' },
        ...{ isExtra: terms.isExtra ?? false, worth: terms.worth ?? figures.get(editionId)?.possible ?? 0 },
        day: localDay(dueAt ?? createdAt, timeZone),
      };
    });
    const columns = unsorted.toSorted((a, b) => a.day.localeCompare(b.day));
    const toMark = outlines.flatMap(({ counted }) =>
      counted && counted.outline.toMark > 0 ? [counted.attemptId] : [],
    );
    const marked = sheets.rowsOf(toMark);
    const overrides = repository.listOverrides(ids);
    const latest = new Map<string, MadeOverride>();
    for (const row of overrides.toReversed()) latest.set(`${row.assignmentId} ${row.studentId}`, row);
    const now = clock();
    const byStudent = groupBy(outlines, ({ studentId }) => studentId);
    const lineOf = (studentId: string) => {
      const own = new Map(byStudent.get(studentId)?.map((outline) => [outline.assignmentId, outline]));
      return columns.map((column): GradebookCell | null => {
        const outline = own.get(column.assignmentId);
        if (!outline) return null;
        const { worth } = given.givenOf(column.assignmentId).terms;
        const cell = cellOf(outline, { worth, ofWhoHasNotBegun: column.worth }, marked, now);
        const byHand = latest.get(`${column.assignmentId} ${studentId}`);
        if (!byHand || byHand.earned === null) return cell;
        const { earned, reason, at, by } = byHand;
        return { ...cell, override: { earned, reason, at, by } };
      });
    };
    const people = repository.listPeople(classId, ids);
    const here = people.filter(({ isIn }) => isIn);
    // Who has left stands below, with what they did.
    const gone = people.filter(
      ({ isIn, studentId }) => !isIn && byStudent.get(studentId)?.some(({ counted }) => counted !== null),
    );
    const students = [...here, ...gone].map(({ studentId, displayName, isIn }) => ({
      ...{ studentId, displayName, cells: lineOf(studentId) },
      ...(isIn ? {} : { hasLeft: true as const }),
    }));
    return { columns, students };
  };

  const read = (actor: Actor, classId: string): Gradebook => {
    const frame = found(repository.findFrame(classId, actor.id));
    return { ...frame, ...readInput(classId, frame.timeZone) } as Gradebook;
  };

  return {
    read,

    /** @throws Refused gradebookMoved where somebody else changed them since */
    changeRules(classId: string, { rules, version }: { rules: GradebookRules; version: number }): void {
      if (!repository.setRules(classId, rules, version)) throw new Refused('gradebookMoved');
    },

    /**
     * Gives a number by hand, or takes it back.
     * @throws Refused notFound where the student was not given it through this class; gradeTooHigh beyond ten times
     * what there is
     */
    override(actor: Actor, classId: string, { assignmentId, studentId, earned, reason }: SentGradeOverride): void {
      const { columns, students } = read(actor, classId);
      const index = columns.findIndex((column) => column.assignmentId === assignmentId);
      const cell = students.find((student) => student.studentId === studentId)?.cells[index];
      if (!cell) throw new Refused('notFound');
      // A slip of the keys, and not a bonus.
      if (earned !== null && earned > 10 * Math.max(100, wholeOf(cell))) throw new Refused('gradeTooHigh');
      if (earned === (cell.override?.earned ?? null)) return;
      repository.insertOverride({ id: newId(), assignmentId, studentId, earned, reason, by: actor.id, at: clock() });
    },

    listOverrides(classId: string, studentId: string) {
      const ids = assignments.listInClasses([classId], false).map(({ id }) => id);
      return repository
        .listOverrides(ids, studentId)
        .map(({ assignmentId, earned, reason, at, by }) => ({ assignmentId, earned, reason, at, by }));
    },

    /** @throws Refused keptFull where there are too many already */
    keep(actor: Actor, classId: string, note: string): { id: string } {
      if (repository.countKept(classId) >= mostKept) throw new Refused('keptFull');
      const id = newId();
      repository.keep({ id, classId, note, by: actor.id, at: clock() }, read(actor, classId));
      return { id };
    },

    readKept: (classId: string, keptId: string): KeptGradebook =>
      found(repository.findKept(classId, keptId)) as KeptGradebook,

    removeKept(classId: string, keptId: string): void {
      if (!repository.removeKept(classId, keptId)) throw new Refused('notFound');
    },
  };
}

function cellOf(
  stored: StoredOutline,
  { worth, ofWhoHasNotBegun }: { readonly worth: number | undefined; readonly ofWhoHasNotBegun: number },
  marked: ReadonlyMap<string, SheetRow>,
  now: number,
): GradebookCell {
  const { counted, result, terms, attempts } = stored;
  const { dueAt } = terms.window;
  const handedInAt = counted?.outline.handedInAt ?? null;
  const isMissing =
    handedInAt === null &&
    dueAt !== null &&
    dueAt < now &&
    terms.leftAt === null &&
    !terms.excused &&
    !cameTooLate(stored);
  const row = counted && marked.get(counted.attemptId);
  const points = !counted
    ? { earned: 0, possible: 0 }
    : row
      ? markedPoints({ row, result: result ?? undefined })
      : { earned: result?.earned ?? 0, possible: counted.outline.possible };
  const whole = counted?.outline.possible ?? 0;
  const counts = (hundredths: number) =>
    worth === undefined ? hundredths : worthOf({ earned: hundredths, possible: whole }, worth);
  return {
    state: !counted ? 'notBegun' : handedInAt === null ? 'underWay' : 'handedIn',
    ...(!counted
      ? { earned: 0, possible: ofWhoHasNotBegun }
      : { earned: counts(points.earned), possible: counts(points.possible) }),
    ...(terms.excused ? { isExcused: true as const } : {}),
    ...(isMissing ? { isMissing: true as const } : {}),
    ...(isLate({ handedInAt }, dueAt) ? { isLate: true as const } : {}),
    ...(result && result.latePercent > 0 ? { latePercent: result.latePercent } : {}),
    ...(row ? { whole: counts(whole), waiting: row.marks.filter(({ state }) => state === 'waiting').length } : {}),
    ...(attempts.length > 1 ? { attempts: attempts.length } : {}),
  };
}
