import type { Said, WroteBack } from '@semita/core/contract';
import { and, asc, count, eq, sql } from 'drizzle-orm';
import { answerTalk, feedbackSeen, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type FeedbackRepository = ReturnType<typeof createFeedbackRepository>;

/** An answer: whose, to what. */
export interface AnswerKey {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly questionId: string;
}

export interface SaidTo extends Said {
  readonly assignmentId: string;
  readonly questionId: string;
}

/** What is said about answers back and forth, and what of it was seen. */
export function createFeedbackRepository({ db, newId }: Pick<Deps, 'db' | 'newId'>) {
  /** One each of what nobody has answered yet: the student's words are the last. */
  const unanswered = db.$client.prepare(
    `select t.assignment_id as assignmentId, t.student_id as studentId, u.display_name as displayName,
            t.question_id as questionId, t.text, t.at
     from answer_talk t join users u on u.id = t.student_id
     where t.assignment_id in (select value from json_each(@assignmentIds)) and t.author_id = t.student_id
       and not exists (select 1 from answer_talk later where later.assignment_id = t.assignment_id
         and later.student_id = t.student_id and later.question_id = t.question_id
         and (later.at > t.at or (later.at = t.at and later.rowid > t.rowid)))
     order by t.at`,
  );
  return {
    /** What was said to one student's answers, the first first. */
    listTalk: (studentId: string, assignmentId?: string): SaidTo[] =>
      db
        .select({
          ...{ id: answerTalk.id, assignmentId: answerTalk.assignmentId, questionId: answerTalk.questionId },
          ...{ displayName: users.displayName, text: answerTalk.text, at: answerTalk.at },
          byTeacher: sql`${answerTalk.authorId} <> ${answerTalk.studentId}`.mapWith(Boolean),
        })
        .from(answerTalk)
        .innerJoin(users, eq(users.id, answerTalk.authorId))
        .where(
          and(
            eq(answerTalk.studentId, studentId),
            assignmentId === undefined ? undefined : eq(answerTalk.assignmentId, assignmentId),
          ),
        )
        .orderBy(asc(answerTalk.at), sql`"answer_talk".rowid`)
        .all(),

    say({ assignmentId, studentId, questionId }: AnswerKey, authorId: string, text: string, at: number): void {
      db.insert(answerTalk).values({ id: newId(), assignmentId, studentId, questionId, authorId, text, at }).run();
    },

    /** As what each was seen, by `assignment question`. */
    listSeen: (studentId: string): ReadonlyMap<string, string> =>
      new Map(
        db
          .select()
          .from(feedbackSeen)
          .where(eq(feedbackSeen.studentId, studentId))
          .all()
          .map(({ assignmentId, questionId, mark }) => [`${assignmentId} ${questionId}`, mark]),
      ),

    see({ assignmentId, studentId, questionId }: AnswerKey, mark: string): void {
      db.insert(feedbackSeen)
        .values({ assignmentId, studentId, questionId, mark })
        .onConflictDoUpdate({
          target: [feedbackSeen.assignmentId, feedbackSeen.studentId, feedbackSeen.questionId],
          set: { mark },
        })
        .run();
    },

    listUnanswered: (assignmentIds: readonly string[]) =>
      unanswered.all({ assignmentIds: JSON.stringify(assignmentIds) }) as (Omit<WroteBack[number], 'stopId'> & {
        readonly assignmentId: string;
      })[],

    countOf: ({ assignmentId, studentId, questionId }: AnswerKey): number =>
      db
        .select({ count: count() })
        .from(answerTalk)
        .where(
          and(
            eq(answerTalk.assignmentId, assignmentId),
            eq(answerTalk.studentId, studentId),
            eq(answerTalk.questionId, questionId),
          ),
        )
        .get()?.count ?? 0,
  };
}
