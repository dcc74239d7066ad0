import type { AttemptState } from '@semita/core/attempt';
import { type HandedFile, type Response, responseWords } from '@semita/core/question';
import { eq, inArray } from 'drizzle-orm';
import {
  adjustments,
  answerFiles,
  answerTalk,
  attempts,
  classes,
  classStudents,
  gradeOverrides,
  threadReplies,
  users,
} from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { ReceivedAssignments } from '../assignments/received-assignments.ts';
import type { EventIntake } from '../attempts/event-intake.ts';

export interface KeptAnswer {
  readonly question: string;
  readonly given: readonly string[];
  /** Strokes of a drawing, each as x and y in turn, on a page `drawingWidth` wide. */
  readonly strokes: readonly (readonly number[])[];
  readonly files: readonly HandedFile[];
  /** Hundredths; null while it waits to be marked. */
  readonly points: number | null;
  readonly possible: number;
  readonly comment: string | null;
  /** What was given to the same question before. */
  readonly before: readonly (readonly string[])[];
}

export interface KeptAttempt {
  readonly number: number;
  readonly begunAt: number;
  readonly handedInAt: number | null;
  readonly timeSpentMs: number;
  readonly answers: readonly KeptAnswer[];
}

export interface KeptWork {
  readonly title: string;
  readonly className: string;
  readonly teacherName: string;
  readonly timeZone: string;
  readonly dueAt: number | null;
  readonly excused: boolean;
  /** What was made different, why, and when. */
  readonly different: readonly { readonly kind: string; readonly at: number; readonly reason: string | null }[];
  readonly attempts: readonly KeptAttempt[];
}

/** What is kept of one student, as a family can read it. */
export interface StudentRecord {
  readonly displayName: string;
  readonly userName: string | null;
  readonly createdAt: number;
  readonly classes: readonly { readonly name: string; readonly extraTime: number }[];
  readonly works: readonly KeptWork[];
  /** What they answered to others in threads. */
  readonly replies: readonly { readonly text: string; readonly at: number }[];
  /** What was said about their answers, by both sides. */
  readonly talk: readonly { readonly by: string; readonly text: string; readonly at: number }[];
  readonly files: readonly { readonly id: string; readonly name: string; readonly sha256: string }[];
}

interface Options extends Pick<Deps, 'db'> {
  readonly given: AssignedLessons;
  readonly received: Pick<ReceivedAssignments, 'listAll'>;
  readonly intake: Pick<EventIntake, 'readStates'>;
}

/** Reads together what is kept of one student. Correct answers are not theirs, and not in it. */
export function createStudentRecord({ db, given, received, intake }: Options) {
  const answersOf = (attempt: { assignmentId: string; editionId: string }, state: AttemptState): KeptAnswer[] =>
    given
      .getLesson(attempt.assignmentId, attempt.editionId)
      .lesson.parts.flatMap(({ stops }) => stops)
      .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions.map((question) => ({ stop, question })) : []))
      .flatMap(({ stop, question }): KeptAnswer[] => {
        const answer = state.stops[stop.id]?.answers[question.id];
        if (!answer) return [];
        const { response, points, comment, voice, earlier = [] } = answer;
        return [
          {
            question: question.stem,
            given: responseWords(question, response),
            strokes: strokesOf(response),
            files: [...(response.kind === 'files' ? response.files : []), ...(voice ? [voice] : [])],
            ...{ points, possible: question.points, comment },
            before: earlier.map((one) => responseWords(question, one.response)),
          },
        ];
      });

  return (studentId: string): StudentRecord => {
    const person = db.select().from(users).where(eq(users.id, studentId)).get();
    if (!person) throw new Error(`No person ${studentId}`);
    const own = db.select().from(attempts).where(eq(attempts.studentId, studentId)).orderBy(attempts.number).all();
    const states = intake.readStates(own.map(({ id }) => id));
    const changed = db.select().from(adjustments).where(eq(adjustments.studentId, studentId)).all();
    const byHand = db.select().from(gradeOverrides).where(eq(gradeOverrides.studentId, studentId)).all();
    const all = received.listAll(studentId);
    const figures = given.figuresOf(all.map(({ assignment }) => assignment));
    return {
      ...{ displayName: person.displayName, userName: person.userName, createdAt: person.createdAt },
      classes: db
        .select({ name: classes.name, extraTime: classStudents.extraTime })
        .from(classStudents)
        .innerJoin(classes, eq(classes.id, classStudents.classId))
        .where(eq(classStudents.studentId, studentId))
        .all(),
      works: all.map(({ assignment: { id, editionId, timeZone }, className, teacherName, terms }) => ({
        title: figures.get(editionId)?.title ?? '',
        ...{ className, teacherName, timeZone, dueAt: terms.window.dueAt, excused: terms.excused },
        different: [
          ...changed.map(({ kind, at, reason, assignmentId }) => ({ kind, at, reason, assignmentId })),
          ...byHand.map(({ earned, at, reason, assignmentId }) => ({
            ...{ kind: earned === null ? 'gradeTakenBack' : 'gradeByHand', at, reason, assignmentId },
          })),
        ]
          .filter(({ assignmentId }) => assignmentId === id)
          .map(({ kind, at, reason }) => ({ kind, at, reason })),
        attempts: own
          .filter(({ assignmentId }) => assignmentId === id)
          .flatMap((attempt): KeptAttempt[] => {
            const state = states.get(attempt.id);
            if (!state) return [];
            const { begunAt, handedInAt, timeSpentMs } = state;
            return [{ number: attempt.number, begunAt, handedInAt, timeSpentMs, answers: answersOf(attempt, state) }];
          }),
      })),
      replies: db
        .select({ text: threadReplies.text, at: threadReplies.createdAt })
        .from(threadReplies)
        .where(eq(threadReplies.authorId, studentId))
        .all(),
      talk: db
        .select({ by: users.displayName, text: answerTalk.text, at: answerTalk.at })
        .from(answerTalk)
        .innerJoin(users, eq(users.id, answerTalk.authorId))
        .where(eq(answerTalk.studentId, studentId))
        .orderBy(answerTalk.at)
        .all(),
      files: db
        .select({ id: answerFiles.id, name: answerFiles.name, sha256: answerFiles.sha256 })
        .from(answerFiles)
        .where(
          inArray(
            answerFiles.attemptId,
            own.map(({ id }) => id),
          ),
        )
        .all(),
    };
  };
}

/** Lines and shapes are told by their ends; for a family to see what it was, that is enough. */
function strokesOf(response: Response): number[][] {
  if (response.kind !== 'drawing') return [];
  return response.drawing.marks.flatMap((mark) => {
    if (mark.tool === 'pen') return [mark.points.filter((_, index) => index % 3 !== 2)];
    return mark.tool === 'text' ? [] : [[...mark.from, ...mark.to]];
  });
}
