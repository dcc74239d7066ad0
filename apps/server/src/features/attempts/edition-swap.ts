import { setImmediate } from 'node:timers/promises';
import { carriedOver } from '@semita/core/analysis';
import type { SwapLine } from '@semita/core/contract';
import { replay } from '@semita/core/reducer';
import { sheetRowOf } from '@semita/core/sheet';
import { eq } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { attempts, bankResults, questionResults } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { RecipientRepository } from '../assignments/recipient-repository.ts';
import type { LessonRepository } from '../lessons/lesson-repository.ts';
import type { AttemptKey, AttemptRepository } from './attempt-repository.ts';
import type { AttemptStates } from './attempt-states.ts';
import type { EventIntake } from './event-intake.ts';

export type EditionSwap = ReturnType<typeof createEditionSwap>;

interface Options extends Pick<Deps, 'db' | 'bus' | 'clock'> {
  readonly given: AssignedLessons;
  readonly assignments: Pick<AssignmentService, 'listStudents'>;
  readonly lessons: Pick<LessonRepository, 'findEdition'>;
  readonly recipients: Pick<RecipientRepository, 'adjust'>;
  readonly repository: AttemptRepository;
  readonly states: AttemptStates;
  readonly intake: Pick<EventIntake, 'takeAllNow'>;
}

/** So many logs are read before others are let in between. */
const atOnce = 20;

/**
 * Lets who has begun go on in another edition: their log is read against it, and what does not fit there counts for
 * nothing. The log itself stays as it is, so that going back to the edition of before brings everything back.
 */
export function createEditionSwap(options: Options) {
  const { db, bus, clock, given, assignments, lessons, recipients, repository, states, intake } = options;

  const editionOf = (assignmentId: string, editionNumber: number): string =>
    found(lessons.findEdition(given.getLesson(assignmentId).lessonId, editionNumber)).id;

  /** The latest attempts of those whom the actor follows, that are at another edition. */
  const listOthers = (actor: Actor, assignmentId: string, editionId: string) =>
    assignments.listStudents(actor, assignmentId).flatMap(({ line, attempts: begun, terms }) => {
      const latest = begun.at(-1);
      return latest && latest.editionId !== editionId && terms.leftAt === null ? [{ line, latest }] : [];
    });

  const stemsOf = (assignmentId: string, editionId: string): ReadonlyMap<string, string> =>
    new Map(
      given
        .getLesson(assignmentId, editionId)
        .lesson.parts.flatMap(({ stops }) => stops)
        .flatMap((stop) =>
          stop.kind === 'checkpoint' ? stop.questions.map(({ id, stem }) => [id, stem] as const) : [],
        ),
    );

  const planOne = (
    attempt: AttemptKey,
    editionId: string,
    stemsIn: (editionId: string) => ReadonlyMap<string, string>,
  ): Omit<SwapLine, 'studentId' | 'displayName'> => {
    const before = states.read(attempt.attemptId).state;
    const context = given.contextOf({ ...attempt, editionId });
    const { begunAt, secret, drawnByTime } = repository.getStored(attempt.attemptId);
    const after = replay(context, { begunAt, secret, drawnByTime }, repository.readLog(attempt.attemptId));
    const { carried, lost } = carriedOver(before, after);
    const stems = stemsIn(attempt.editionId);
    const pointsIn = (lesson: Parameters<typeof sheetRowOf>[0], state: typeof before) => {
      const { earned, possible } = sheetRowOf(lesson, state);
      return { earned, possible };
    };
    return {
      ...{ carried, lost: lost.map((id) => stems.get(id) ?? '') },
      wasHandedIn: before.handedInAt !== null,
      isHandedIn: after.handedInAt !== null,
      before: pointsIn(given.contextOf(attempt).lesson, before),
      after: pointsIn(context.lesson, after),
    };
  };

  const swapSome = (
    some: readonly AttemptKey[],
    { assignmentId, editionId, at, by }: { assignmentId: string; editionId: string; at: number; by: string },
  ): void => {
    // By the edition they were sent for.
    intake.takeAllNow();
    inTransaction(db, () => {
      for (const { attemptId } of some) {
        db.update(attempts).set({ editionId }).where(eq(attempts.id, attemptId)).run();
        // Of questions that are no longer asked nothing stays behind.
        db.delete(bankResults).where(eq(bankResults.attemptId, attemptId)).run();
        db.delete(questionResults).where(eq(questionResults.attemptId, attemptId)).run();
        states.forget(attemptId);
        states.computeAnew(attemptId);
      }
      recipients.adjust(
        some.map(({ studentId }) => ({
          ...{ kind: 'editionSwapped', at, editionId, assignmentId, studentId, by, reason: null },
        })),
      );
    });
  };

  return {
    /** What another edition would carry over and lose, student by student; changes nothing. */
    async plan(actor: Actor, assignmentId: string, editionNumber: number): Promise<SwapLine[]> {
      const editionId = editionOf(assignmentId, editionNumber);
      const known = new Map<string, ReadonlyMap<string, string>>();
      const stemsIn = (of: string) => {
        const stems = known.get(of) ?? stemsOf(assignmentId, of);
        known.set(of, stems);
        return stems;
      };
      const lines: SwapLine[] = [];
      for (const { line, latest } of listOthers(actor, assignmentId, editionId)) {
        const { studentId, displayName } = line;
        lines.push({ studentId, displayName, ...planOne(latest, editionId, stemsIn) });
        // A whole log is read for each: others are let in between.
        if (lines.length % atOnce === 0) await setImmediate();
      }
      return lines;
    },

    /**
     * @returns the numbers of the editions of before, by the student, so that it can be taken back
     * @throws Refused notFound for whom the actor does not follow, or who has not begun at another edition
     */
    async swap(
      actor: Actor,
      assignmentId: string,
      { studentIds, editionNumber }: { readonly studentIds: readonly string[]; readonly editionNumber: number },
    ): Promise<{ studentId: string; editionNumber: number }[]> {
      const editionId = editionOf(assignmentId, editionNumber);
      const others = new Map(
        listOthers(actor, assignmentId, editionId).map(({ line, latest }) => [line.studentId, latest]),
      );
      const wanted = [...new Set(studentIds)].map((id) => found(others.get(id)));
      const at = clock();
      // Each of them by itself is whole; what a student sends in between finds theirs as it was, or as it is.
      for (let from = 0; from < wanted.length; from += atOnce) {
        if (from > 0) await setImmediate();
        swapSome(wanted.slice(from, from + atOnce), { assignmentId, editionId, at, by: actor.id });
      }
      for (const { attemptId, studentId } of wanted)
        bus.publish('attemptChanged', { assignmentId, attemptId, studentId, byOthers: true });
      return wanted.map(({ studentId, editionId: before }) => ({
        ...{ studentId, editionNumber: given.getLesson(assignmentId, before).editionNumber },
      }));
    },
  };
}
