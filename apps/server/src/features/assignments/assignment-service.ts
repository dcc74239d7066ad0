import { windowFault } from '@semita/core/assignment';
import type { Terms } from '@semita/core/attempt';
import { endOfDay, toInstant } from '@semita/core/calendar';
import type { AssignmentSummary, SentSheet, Sheet } from '@semita/core/contract';
import { firstWords, type Lesson, stopsInOrder } from '@semita/core/lesson';
import { type AttemptOutline, needOf, readSheetLine, type SheetLine } from '@semita/core/sheet';
import { rowsBy } from '../../db/rows-by.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { LessonRepository } from '../lessons/lesson-repository.ts';
import type { AssignmentRepository, PlacedAssignment } from './assignment-repository.ts';
import { sheetToCsv } from './sheet-csv.ts';
import type { SheetRepository } from './sheet-repository.ts';

export type AssignmentService = ReturnType<typeof createAssignmentService>;

/** Dates and times as a form gives them, on the class's clock. */
export interface LocalWindow {
  readonly opensAt: string | null;
  readonly dueAt: string | null;
  readonly closesAt: string | null;
}

interface Options extends Pick<Deps, 'clock' | 'newId'> {
  readonly repository: AssignmentRepository;
  readonly sheets: SheetRepository;
  readonly classes: ClassRepository;
  readonly lessons: LessonRepository;
}

export function createAssignmentService({ clock, newId, repository, sheets, classes, lessons }: Options) {
  const getTaught = (actor: Actor, assignmentId: string) => found(repository.findTaught(actor, assignmentId));

  const summarize = (
    { assignment, className, timeZone }: PlacedAssignment,
    title: string,
    students: readonly { readonly excused: boolean; readonly outline: AttemptOutline | null }[],
  ): AssignmentSummary => {
    const { id, classId, opensAt, dueAt, closesAt } = assignment;
    const now = clock();
    const begun = students.flatMap(({ outline }) => outline ?? []);
    return {
      ...{ id, title, classId, className, timeZone, opensAt, dueAt, closesAt },
      studentCount: students.length,
      begunCount: begun.length,
      handedInCount: begun.filter(({ handedInAt }) => handedInAt !== null).length,
      toMarkCount: begun.reduce((sum, { toMark }) => sum + toMark, 0),
      stuckCount: students.filter(({ outline, excused }) => needOf(outline, { excused, dueAt, now }) === 'stuck')
        .length,
    };
  };

  const summarizeStored = (placed: readonly PlacedAssignment[]): AssignmentSummary[] => {
    const students = rowsBy(
      sheets.listOutlines(placed.map(({ assignment }) => assignment.id)),
      (row) => row.assignmentId,
    );
    const figures = repository.figuresOf(placed.map(({ assignment }) => assignment));
    return placed.map((one) =>
      summarize(one, figures.get(one.assignment.editionId)?.title ?? '', students.get(one.assignment.id) ?? []),
    );
  };

  const buildSheet = (placed: PlacedAssignment): SentSheet => {
    const { assignment } = placed;
    const { lesson, editionNumber, lessonId, terms } = repository.getLesson(assignment.id);
    const students = sheets.listWhole(assignment.id);
    return {
      assignment: summarize(placed, lesson.title, students),
      terms: terms as Sheet['terms'],
      termsFixed: repository.hasAttempts(assignment.id),
      editionNumber,
      lessonId,
      stops: columnsOf(lesson),
      students: students.map(({ line }) => line),
      now: clock(),
    };
  };

  return {
    list: (actor: Actor, classId?: string): AssignmentSummary[] =>
      summarizeStored(
        repository
          .listTaught(actor)
          .filter(({ assignment }) => classId === undefined || assignment.classId === classId),
      ),

    /**
     * Gives the latest edition of a lesson to a class.
     * @throws Refused windowOutOfOrder, lessonIncomplete when there is no edition yet
     */
    assign(actor: Actor, input: LocalWindow & { lessonId: string; classId: string; terms: Terms }): { id: string } {
      const toClass = found(classes.findTaught(actor, input.classId));
      const lesson = found(lessons.findOwned(actor, input.lessonId));
      const edition = lessons.findLatestEdition(lesson.id);
      if (!edition) throw new Refused('lessonIncomplete', { faults: [] });
      const id = newId();
      repository.insert({
        id,
        schoolId: actor.schoolId,
        classId: toClass.id,
        editionId: edition.id,
        createdBy: actor.id,
        ...toWindow(input, toClass.timeZone),
        // Fixed with the terms, so that a change of the class marks no answer anew.
        terms: { ...input.terms, locale: toClass.locale },
        createdAt: clock(),
      });
      return { id };
    },

    changeWindow(actor: Actor, assignmentId: string, local: LocalWindow): AssignmentSummary {
      const placed = getTaught(actor, assignmentId);
      repository.setWindow(assignmentId, toWindow(local, placed.timeZone), clock());
      return summarizeStored([getTaught(actor, assignmentId)])[0] as AssignmentSummary;
    },

    readSheet: (actor: Actor, assignmentId: string): SentSheet => buildSheet(getTaught(actor, assignmentId)),

    exportSheet(actor: Actor, assignmentId: string): { csv: string; title: string } {
      const sheet = buildSheet(getTaught(actor, assignmentId));
      const read = { ...sheet, students: sheet.students.map(readSheetLine) };
      const csv = sheetToCsv(read, repository.getLesson(assignmentId).lesson);
      return { csv, title: `${sheet.assignment.title} - ${sheet.assignment.className}` };
    },

    /** Checks that the actor may watch, for the live stream. */
    assertTaught(actor: Actor, assignmentId: string): void {
      getTaught(actor, assignmentId);
    },

    /** The lines of the sheet alone. */
    listStudents(actor: Actor, assignmentId: string): SheetLine[] {
      getTaught(actor, assignmentId);
      return sheets.list(assignmentId);
    },

    readStudent(actor: Actor, assignmentId: string, studentId: string): SheetLine {
      getTaught(actor, assignmentId);
      return found(sheets.find(assignmentId, studentId));
    },

    /** One student's line for the live stream, whose audience was checked when it was opened. */
    findStudent(assignmentId: string, studentId: string): SheetLine | null {
      return sheets.find(assignmentId, studentId) ?? null;
    },

    excuse(actor: Actor, assignmentId: string, studentId: string, excused: boolean): SheetLine {
      getTaught(actor, assignmentId);
      found(sheets.find(assignmentId, studentId));
      repository.setExcused(assignmentId, studentId, excused);
      return found(sheets.find(assignmentId, studentId));
    },
  };
}

/** Lessons are never altered, so what heads their columns is made once. */
const knownColumns = new WeakMap<Lesson, SentSheet['stops']>();

function columnsOf(lesson: Lesson): SentSheet['stops'] {
  const known = knownColumns.get(lesson);
  if (known) return known;
  const columns = lesson.parts.flatMap((part) =>
    stopsInOrder(part.stops).map((stop) => ({
      ...{ id: stop.id, kind: stop.kind, label: firstWords(stop).slice(0, 80) },
      ...{ partTitle: part.title, practice: part.practice ?? false },
    })),
  );
  knownColumns.set(lesson, columns);
  return columns;
}

function toWindow(local: LocalWindow, timeZone: string) {
  const at = (text: string | null) => (text === null ? null : instantOf(text, timeZone));
  const window = { opensAt: at(local.opensAt), dueAt: at(local.dueAt), closesAt: at(local.closesAt) };
  const fault = windowFault(window);
  if (fault) throw new Refused('windowOutOfOrder', { fault });
  return window;
}

/** A date alone means the end of that day, and so does the last minute of a day. */
function instantOf(local: string, timeZone: string): number {
  try {
    return local.endsWith('T23:59') ? endOfDay(local.slice(0, 10), timeZone) : toInstant(local, timeZone);
  } catch (error) {
    if (error instanceof RangeError) throw new Refused('inputInvalid', { fields: ['window'] });
    throw error;
  }
}
