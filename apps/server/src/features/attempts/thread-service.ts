import type { ThreadPost } from '@semita/core/contract';
import { and, asc, count, eq, gt, sql } from 'drizzle-orm';
import { attempts, hiddenPosts, threadReplies, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { RecipientRepository } from '../assignments/recipient-repository.ts';
import type { EventIntake } from './event-intake.ts';

/** More than anybody writes to others in one thread, and in ten minutes of it. */
const maxReplies = 200;
const maxRepliesAtOnce = 30;
const atOnceMs = 10 * 60_000;

const isTeacherOf = ({ roles }: Actor): boolean => roles.includes('teacher');

export type ThreadService = ReturnType<typeof createThreadService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId'> {
  readonly given: Pick<AssignedLessons, 'getLesson'>;
  readonly recipients: Pick<RecipientRepository, 'listThrough' | 'classIdsOf'>;
  readonly followedClassIds: (teacherId: string) => ReadonlySet<string>;
  readonly intake: EventIntake;
}

/** Class threads: who has posted reads what the others posted, and answers them. Teachers read all, and can hide. */
export function createThreadService(options: Options) {
  const { db, clock, newId, given, recipients, followedClassIds, intake } = options;
  /** @throws Refused notFound when the lesson has no such thread */
  const assertThread = (assignmentId: string, questionId: string): void => {
    const isThread = given
      .getLesson(assignmentId)
      .lesson.parts.flatMap((part) => part.stops)
      .some(
        (stop) =>
          stop.kind === 'checkpoint' &&
          stop.questions.some((question) => question.id === questionId && question.kind === 'discussion'),
      );
    if (!isThread) throw new Refused('notFound');
  };

  /** Whose posts somebody reads: of the classes they teach, or of those through which they received it themselves. */
  const readableBy = (actor: Actor, assignmentId: string): ReadonlySet<string> =>
    recipients.listThrough(
      assignmentId,
      isTeacherOf(actor) ? [...followedClassIds(actor.id)] : recipients.classIdsOf(assignmentId, actor.id),
    );

  const listPosts = (actor: Actor, assignmentId: string, questionId: string) => {
    const readable = readableBy(actor, assignmentId);
    const all = db
      .select({ attemptId: attempts.id, studentId: users.id, displayName: users.displayName, isGuest: users.isGuest })
      .from(attempts)
      .innerJoin(users, eq(users.id, attempts.studentId))
      .where(eq(attempts.assignmentId, assignmentId))
      .orderBy(asc(users.displayName), asc(attempts.number))
      .all()
      .filter(({ studentId }) => readable.has(studentId));
    // Whoever comes by an open link reads nothing of the children of the class, and they nothing of strangers.
    const isGuest = all.some((one) => one.studentId === actor.id && one.isGuest);
    const begun = all.filter((one) => isTeacherOf(actor) || one.isGuest === isGuest);
    const states = intake.readStates(begun.map(({ attemptId }) => attemptId));
    const posts = begun.flatMap(({ attemptId, studentId, displayName }) => {
      const response = Object.values(states.get(attemptId)?.stops ?? {}).flatMap(
        ({ answers }) => answers[questionId]?.response ?? [],
      )[0];
      return response?.kind === 'extendedText' ? [{ studentId, displayName, text: response.text }] : [];
    });
    // What was posted in a later attempt stands in the place of what was posted before.
    return [...new Map(posts.map((post) => [post.studentId, post])).values()];
  };

  const read = (actor: Actor, assignmentId: string, questionId: string): ThreadPost[] => {
    assertThread(assignmentId, questionId);
    const posts = listPosts(actor, assignmentId, questionId);
    const isTeacher = isTeacherOf(actor);
    // Who has not posted yet thinks for themselves first.
    if (!isTeacher && !posts.some(({ studentId }) => studentId === actor.id)) throw new Refused('answerFirst');
    const here = and(eq(threadReplies.assignmentId, assignmentId), eq(threadReplies.questionId, questionId));
    const replies = db
      .select({
        reply: threadReplies,
        displayName: users.displayName,
        isTeacher:
          sql`exists (select 1 from user_roles r where r.user_id = ${users.id} and r.role = 'teacher')`.mapWith(
            Boolean,
          ),
      })
      .from(threadReplies)
      .innerJoin(users, eq(users.id, threadReplies.authorId))
      .where(here)
      .orderBy(asc(threadReplies.createdAt))
      .all();
    const hidden = new Set(
      db
        .select({ studentId: hiddenPosts.studentId })
        .from(hiddenPosts)
        .where(and(eq(hiddenPosts.assignmentId, assignmentId), eq(hiddenPosts.questionId, questionId)))
        .all()
        .map(({ studentId }) => studentId),
    );
    return posts
      .map((post) => ({
        ...post,
        isOwn: post.studentId === actor.id,
        hidden: hidden.has(post.studentId),
        replies: replies
          .filter(({ reply }) => reply.toStudentId === post.studentId && (isTeacher || reply.hiddenAt === null))
          .map(({ reply, displayName, isTeacher: byTeacher }) => ({
            id: reply.id,
            displayName,
            isTeacher: byTeacher,
            isOwn: reply.authorId === actor.id,
            text: reply.text,
            at: reply.createdAt,
            hidden: reply.hiddenAt !== null,
          })),
      }))
      .filter((post) => isTeacher || post.isOwn || !post.hidden);
  };

  /** @throws Refused tooManyRequests: nobody buries a thread */
  const assertMayReply = (authorId: string, assignmentId: string, questionId: string): void => {
    const own = and(
      eq(threadReplies.assignmentId, assignmentId),
      eq(threadReplies.questionId, questionId),
      eq(threadReplies.authorId, authorId),
    );
    const recent = gt(threadReplies.createdAt, clock() - atOnceMs);
    const written = db
      .select({ all: count(), recent: count(sql`case when ${recent} then 1 end`) })
      .from(threadReplies)
      .where(own)
      .get();
    if (written && (written.all >= maxReplies || written.recent >= maxRepliesAtOnce))
      throw new Refused('tooManyRequests');
  };

  return {
    read,

    reply(actor: Actor, assignmentId: string, questionId: string, toStudentId: string, text: string): ThreadPost[] {
      const posts = read(actor, assignmentId, questionId);
      if (!posts.some(({ studentId }) => studentId === toStudentId)) throw new Refused('notFound');
      assertMayReply(actor.id, assignmentId, questionId);
      db.insert(threadReplies)
        .values({ id: newId(), assignmentId, questionId, toStudentId, authorId: actor.id, text, createdAt: clock() })
        .run();
      return read(actor, assignmentId, questionId);
    },

    hide(
      actor: Actor,
      place: { readonly assignmentId: string; readonly questionId: string; readonly studentId: string },
      { replyId, hidden }: { readonly replyId: string | null; readonly hidden: boolean },
    ): ThreadPost[] {
      const { assignmentId, questionId, studentId } = place;
      const posts = read(actor, assignmentId, questionId);
      if (!posts.some((post) => post.studentId === studentId)) throw new Refused('notFound');
      if (replyId !== null) {
        const it = and(eq(threadReplies.id, replyId), eq(threadReplies.assignmentId, assignmentId));
        const { changes } = db
          .update(threadReplies)
          .set({ hiddenAt: hidden ? clock() : null })
          .where(it)
          .run();
        if (changes === 0) throw new Refused('notFound');
      } else if (hidden)
        db.insert(hiddenPosts).values({ assignmentId, questionId, studentId }).onConflictDoNothing().run();
      else
        db.delete(hiddenPosts)
          .where(
            and(
              eq(hiddenPosts.assignmentId, assignmentId),
              eq(hiddenPosts.questionId, questionId),
              eq(hiddenPosts.studentId, studentId),
            ),
          )
          .run();
      return read(actor, assignmentId, questionId);
    },
  };
}
