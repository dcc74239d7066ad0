import { lessonFigures, seenDifficulty } from '@semita/core/analysis';
import type { StopFigures, StudentLines, WatchingLines } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { readSheetLine } from '@semita/core/sheet';
import type { Deps } from '../../deps.ts';
import { found } from '../../http/refused.ts';
import type { Table } from '../../tables/table.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { SheetRepository } from '../assignments/sheet-repository.ts';
import type { ReadStates } from '../attempts/read-states.ts';
import { answersTable } from './answers-table.ts';
import type { FollowingRepository } from './following-repository.ts';
import { sheetTable } from './sheet-table.ts';

export type FollowingService = ReturnType<typeof createFollowingService>;

interface Options extends Pick<Deps, 'clock'> {
  readonly given: Pick<AssignedLessons, 'getLesson' | 'givenOf'>;
  readonly sheetOf: Pick<AssignmentService, 'listStudents' | 'readSheet' | 'readLines'>;
  readonly sheets: Pick<SheetRepository, 'listLinesOf'>;
  readonly readStates: ReadStates;
  readonly repository: FollowingRepository;
}

interface Begun {
  readonly studentId: string;
  readonly displayName: string;
  readonly hasLeft: boolean;
  readonly classId: string;
  readonly className: string;
  readonly attemptId: string;
}

/** What is read off the work of many, from what is kept beside it: no state is read for it. */
export function createFollowingService({ clock, given, sheetOf, sheets, readStates, repository }: Options) {
  /** The attempts that count, of students whom the teacher follows. */
  const listBegun = (actor: Actor, assignmentId: string): readonly Begun[] => {
    const { addressees } = given.givenOf(assignmentId);
    return sheetOf.listStudents(actor, assignmentId).flatMap(({ line, terms, counted }): Begun[] => {
      const to = addressees.get(terms.addresseeId);
      if (!counted) return [];
      return [
        {
          ...{ studentId: line.studentId, displayName: line.displayName, hasLeft: line.leftAt !== undefined },
          ...{ classId: to?.classId ?? '', className: to?.className ?? '', attemptId: counted.attemptId },
        },
      ];
    });
  };

  return {
    readStopFigures(actor: Actor, assignmentId: string): StopFigures {
      const begun = listBegun(actor, assignmentId);
      const { lesson, terms } = given.getLesson(assignmentId);
      const byAttempt = new Map(begun.map((one) => [one.attemptId, one]));
      const results = repository.listResults([...byAttempt.keys()]).flatMap(({ attemptId, ...result }) => {
        const one = byAttempt.get(attemptId);
        return one ? [{ ...result, studentId: one.studentId, hasLeft: one.hasLeft }] : [];
      });
      const classOf = new Map(begun.map(({ studentId, classId }) => [studentId, classId]));
      const ofClasses = [...groupBy(begun, ({ classId }) => classId)].map(([id, own]) => ({
        ...{ id, name: own[0]?.className ?? '', begun: own.length },
        shares: sharesOf(results.filter(({ studentId }) => classOf.get(studentId) === id)),
      }));
      return {
        lesson,
        names: Object.fromEntries(begun.map(({ studentId, displayName }) => [studentId, displayName])),
        figures: lessonFigures(lesson, results, terms.locale),
        classes: ofClasses.length > 1 ? ofClasses : [],
      };
    },

    /** @throws Refused notFound for whom the class does not have */
    readStudentLines(classId: string, studentId: string): StudentLines {
      const student = found(repository.findStudent(classId, studentId));
      const lines = [...sheets.listLinesOf(studentId, classId)].flatMap(([assignmentId, { line }]) => {
        const { terms, takenBackAt } = given.givenOf(assignmentId);
        return takenBackAt === null ? [{ assignmentId, isExtra: terms.isExtra ?? false, line }] : [];
      });
      return { student, now: clock(), lines };
    },

    /** The sheet, or all answers in long form, to be opened by a spreadsheet. */
    exportTable(actor: Actor, assignmentId: string, which: 'sheet' | 'answers'): { table: Table; title: string } {
      const { lesson } = given.getLesson(assignmentId);
      if (which === 'sheet') {
        const sent = sheetOf.readSheet(actor, assignmentId);
        const { title, className } = sent.assignment;
        const sheet = { ...sent, students: sent.students.map(readSheetLine) };
        return { table: sheetTable(sheet, lesson), title: `${title} - ${className}` };
      }
      const { className, timeZone, lines } = sheetOf.readLines(actor, assignmentId);
      const walks = readStates(actor, assignmentId, lines).map(({ student, state }) => ({
        ...{ displayName: student.displayName, state },
      }));
      return { table: answersTable(lesson, walks, timeZone), title: `${lesson.title} - ${className} - answers` };
    },

    readWatching(actor: Actor, assignmentId: string): WatchingLines {
      const begun = listBegun(actor, assignmentId);
      const studentOf = new Map(begun.map(({ attemptId, studentId }) => [attemptId, studentId]));
      const { lesson } = given.getLesson(assignmentId);
      const rows = repository.listWatching([...studentOf.keys()]);
      const byPart = groupBy(rows, ({ partId }) => partId);
      return {
        lesson,
        students: begun.map(({ studentId: id, displayName, classId, hasLeft }) => ({
          ...{ id, displayName, classId, hasLeft },
        })),
        lines: Object.fromEntries(
          lesson.parts.flatMap(({ id }) => {
            const own = byPart.get(id);
            if (!own) return [];
            return [[id, own.map(({ attemptId, line }) => ({ studentId: studentOf.get(attemptId) ?? '', line }))]];
          }),
        ),
      };
    },
  };
}

/** How much of the points was earned at first, by the question. */
function sharesOf(
  results: readonly { readonly questionId: string; readonly firstPoints: number | null; readonly possible: number }[],
): StopFigures['classes'][number]['shares'] {
  const marked = results.filter(({ firstPoints, possible }) => firstPoints !== null && possible > 0);
  return Object.fromEntries(
    [...groupBy(marked, ({ questionId }) => questionId)].map(([questionId, own]) => {
      const { count, share } = seenDifficulty(
        own.map(({ firstPoints, possible }) => ({ earned: firstPoints ?? 0, possible })),
      );
      return [questionId, { count, meanShare: share }];
    }),
  );
}
