import type { AttemptEvent } from '@semita/core/attempt';
import type { ReviewSettings } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { materialsOf } from '@semita/core/lesson';
import type { Evidence } from '@semita/core/target';
import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import {
  bankItems,
  classes,
  classReviews,
  classStudents,
  classTeachers,
  reviewAnswers,
  reviewEvents,
  reviewRounds,
  reviewsLeftOut,
  users,
} from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found } from '../../http/refused.ts';
import { isTaughtBy } from '../classes/class-repository.ts';

export type ReviewRepository = ReturnType<typeof createReviewRepository>;
export type ReviewRound = typeof reviewRounds.$inferSelect;

/** A question of a round, as often as it has targets. */
export type AskedAgain = Omit<typeof reviewAnswers.$inferInsert, 'roundId' | 'earned' | 'answeredAt'>;

/** What a class has set, and what its teachers keep from coming back. */
export interface ClassReviews {
  readonly classId: string;
  readonly className: string;
  readonly timeZone: string;
  readonly locale: string;
  readonly settings: ReviewSettings;
  readonly leftOut: ReadonlySet<string>;
}

/** One answer to what came back, and what it says of a target. */
export interface ReviewEvidence extends Evidence {
  readonly classId: string;
  readonly key: string;
  readonly studentId: string;
  /** Nothing else goes by it: a question of a round. */
  readonly questionId: string;
  readonly source: string;
  readonly words: string;
  readonly afterDays: number;
}

/** A question that was asked on some day, answered or not. */
export interface AskedOn extends Omit<ReviewEvidence, 'earned' | 'at'> {
  readonly day: string;
  readonly earned: number | null;
  readonly at: number | null;
}

const firstSettings: ReviewSettings = { isOn: false, maxQuestions: 5, usesBank: true, counts: false };
/** Materials of older rounds are looked at in the lessons they came from. */
const maxRoundsOpen = 10;

/** What comes back in which class, and what was answered to it. */
export function createReviewRepository({ db }: Pick<Deps, 'db'>) {
  const ofClass = {
    ...{ classId: classes.id, className: classes.name, timeZone: classes.timeZone, locale: classes.locale },
    leftOut:
      sql`(select json_group_array(${reviewsLeftOut.source}) from ${reviewsLeftOut} where ${reviewsLeftOut.classId} = ${classes.id})`.mapWith(
        (json: string) => new Set<string>(JSON.parse(json)),
      ),
    settings: {
      ...{ isOn: classReviews.isOn, maxQuestions: classReviews.maxQuestions },
      ...{ usesBank: classReviews.usesBank, counts: classReviews.counts },
    },
  };
  const asked = {
    ...{ classId: reviewRounds.classId, studentId: reviewRounds.studentId, day: reviewRounds.day },
    questionId: sql<string>`${reviewRounds.id} || ' ' || ${reviewAnswers.questionId}`,
    ...{ key: reviewAnswers.targetKey, source: reviewAnswers.source, words: reviewAnswers.words },
    ...{ afterDays: reviewAnswers.afterDays, possible: reviewAnswers.possible },
    ...{ earned: reviewAnswers.earned, at: reviewAnswers.answeredAt },
  };
  const order = [asc(reviewRounds.day), asc(reviewAnswers.roundId), asc(reviewAnswers.questionId)];

  const isIn = (studentId: string) =>
    sql`exists (select 1 from ${classStudents} where ${classStudents.classId} = ${classes.id} and ${classStudents.studentId} = ${studentId})`.mapWith(
      Boolean,
    );

  const byTarget = (all: readonly AskedOn[]) => {
    const answers = groupBy(all.flatMap(asEvidence), (one) => `${one.studentId} ${one.key}`);
    return (studentId: string, key: string): readonly ReviewEvidence[] => answers.get(`${studentId} ${key}`) ?? [];
  };

  return {
    /** @throws Refused notFound where there is no such class */
    read(
      classId: string,
      { askerId, studentId = '' }: { readonly askerId: string; readonly studentId?: string },
    ): ClassReviews & { readonly runs: boolean; readonly attends: boolean } {
      const row = db
        .select({ ...ofClass, runs: isTaughtBy(askerId), attends: isIn(studentId) })
        .from(classes)
        .leftJoin(classReviews, eq(classReviews.classId, classes.id))
        .where(eq(classes.id, classId))
        .get();
      const { settings, ...rest } = found(row);
      return { ...rest, settings: settings ?? firstSettings };
    },

    /** Classes of a student in which something may come back. */
    listOn: (studentId: string): ClassReviews[] =>
      db
        .select(ofClass)
        .from(classReviews)
        .innerJoin(classes, eq(classes.id, classReviews.classId))
        .where(and(isIn(studentId), eq(classReviews.isOn, true), isNull(classes.archivedAt)))
        .orderBy(asc(classes.name))
        .all(),

    set(classId: string, settings: ReviewSettings): void {
      db.insert(classReviews)
        .values({ classId, ...settings })
        .onConflictDoUpdate({ target: classReviews.classId, set: settings })
        .run();
    },

    leaveOut(classId: string, source: string, isLeftOut: boolean): void {
      if (isLeftOut) db.insert(reviewsLeftOut).values({ classId, source }).onConflictDoNothing().run();
      else
        db.delete(reviewsLeftOut)
          .where(and(eq(reviewsLeftOut.classId, classId), eq(reviewsLeftOut.source, source)))
          .run();
    },

    /** Questions that name a target, in the banks of the teachers of some classes; by the class. */
    listBank: (classIds: readonly string[]) =>
      db
        .select({ classId: classTeachers.classId, id: bankItems.id, question: bankItems.question })
        .from(bankItems)
        .innerJoin(classTeachers, eq(classTeachers.teacherId, bankItems.ownerId))
        .where(
          and(
            inArray(classTeachers.classId, [...classIds]),
            sql`coalesce(${bankItems.question} ->> '$.target', '') <> ''`,
          ),
        )
        .orderBy(asc(bankItems.createdAt), asc(bankItems.id))
        .all(),

    /** All that came back to one student, in every class. */
    listAskedOf: (studentId: string): AskedOn[] =>
      db
        .select(asked)
        .from(reviewRounds)
        .innerJoin(reviewAnswers, eq(reviewAnswers.roundId, reviewRounds.id))
        .where(eq(reviewRounds.studentId, studentId))
        .orderBy(...order)
        .all(),

    byTarget,

    /** The students of a class by their names, each with what they were asked. */
    listStudents(classId: string) {
      const rows = db
        .select({ id: users.id, displayName: users.displayName, asked })
        .from(classStudents)
        .innerJoin(users, eq(users.id, classStudents.studentId))
        .leftJoin(
          reviewRounds,
          and(eq(reviewRounds.classId, classStudents.classId), eq(reviewRounds.studentId, users.id)),
        )
        .leftJoin(reviewAnswers, eq(reviewAnswers.roundId, reviewRounds.id))
        .where(eq(classStudents.classId, classId))
        .orderBy(asc(users.displayName), asc(users.id), ...order)
        .all();
      return [...groupBy(rows, ({ id }) => id).values()].map((own) => ({
        ...{ id: own[0]?.id ?? '', displayName: own[0]?.displayName ?? '' },
        asked: own.flatMap((row) => (row.asked?.key ? [row.asked as AskedOn] : [])),
      }));
    },

    /** What was answered to what came back, where the class lets it tell of targets. */
    listCounted: (classId: string, studentId?: string) =>
      byTarget(
        db
          .select(asked)
          .from(reviewRounds)
          .innerJoin(reviewAnswers, eq(reviewAnswers.roundId, reviewRounds.id))
          .innerJoin(classReviews, and(eq(classReviews.classId, reviewRounds.classId), eq(classReviews.counts, true)))
          .where(
            and(
              eq(reviewRounds.classId, classId),
              studentId === undefined ? undefined : eq(reviewRounds.studentId, studentId),
            ),
          )
          .all(),
      ),

    findRound: (classId: string, studentId: string, day: string): ReviewRound | undefined =>
      db
        .select()
        .from(reviewRounds)
        .where(and(eq(reviewRounds.classId, classId), eq(reviewRounds.studentId, studentId), eq(reviewRounds.day, day)))
        .get(),

    /** A round, and in which language numbers are written in its class. */
    getRound: (roundId: string): { readonly round: ReviewRound; readonly locale: string } | undefined =>
      db
        .select({ round: reviewRounds, locale: classes.locale })
        .from(reviewRounds)
        .innerJoin(classes, eq(classes.id, reviewRounds.classId))
        .where(eq(reviewRounds.id, roundId))
        .get(),

    ownerOf: (roundId: string): string | undefined =>
      db.select({ studentId: reviewRounds.studentId }).from(reviewRounds).where(eq(reviewRounds.id, roundId)).get()
        ?.studentId,

    begin(round: ReviewRound, again: readonly AskedAgain[]): void {
      inTransaction(db, () => {
        db.insert(reviewRounds).values(round).run();
        for (const one of again)
          db.insert(reviewAnswers)
            .values({ ...one, roundId: round.id })
            .run();
      });
    },

    listEvents: (roundId: string): AttemptEvent[] =>
      db
        .select()
        .from(reviewEvents)
        .where(eq(reviewEvents.roundId, roundId))
        .orderBy(asc(reviewEvents.seq))
        .all()
        .map(({ body, id, sittingId, n, at, receivedAt }) => ({ ...body, id, sittingId, n, at, receivedAt })),

    append(roundId: string, seq: number, event: AttemptEvent): void {
      const { id, sittingId, n, at, receivedAt, ...body } = event;
      db.insert(reviewEvents).values({ roundId, seq, id, sittingId, n, at, receivedAt, body }).run();
    },

    /** The first answer to a question counts. */
    answer(roundId: string, questionId: string, earned: number, answeredAt: number): void {
      db.update(reviewAnswers)
        .set({ earned, answeredAt })
        .where(
          and(
            eq(reviewAnswers.roundId, roundId),
            eq(reviewAnswers.questionId, questionId),
            isNull(reviewAnswers.earned),
          ),
        )
        .run();
    },

    /** Whether one of a student's latest rounds shows a material. */
    isShown: (studentId: string, materialId: string): boolean =>
      db
        .select({ lesson: reviewRounds.lesson })
        .from(reviewRounds)
        .where(eq(reviewRounds.studentId, studentId))
        .orderBy(desc(reviewRounds.begunAt))
        .limit(maxRoundsOpen)
        .all()
        .some(({ lesson }) => materialsOf(lesson).includes(materialId)),
  };
}

const asEvidence = ({ earned, at, ...one }: AskedOn): ReviewEvidence[] =>
  earned === null || at === null ? [] : [{ ...one, earned, at }];
