import type { AttemptEvent } from '@semita/core/attempt';
import type { ReviewSettings } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import type { Lesson } from '@semita/core/lesson';
import { materialsOf } from '@semita/core/lesson';
import type { Evidence } from '@semita/core/target';
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
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

export type ReviewRepository = ReturnType<typeof createReviewRepository>;
export type ReviewRound = typeof reviewRounds.$inferSelect;

/** A question of a round, as often as it has targets. */
export type AskedAgain = Omit<typeof reviewAnswers.$inferInsert, 'roundId' | 'earned' | 'answeredAt'>;

/** What a class has set, and what its teachers keep from coming back. */
export interface ClassReviews extends ReviewSettings {
  readonly timeZone: string;
  /** Whether the asker teaches the class. */
  readonly runs: boolean;
  /** Whether the student it is asked about is in it. */
  readonly attends: boolean;
  readonly leftOut: ReadonlySet<string>;
}

/** One answer to what came back, and what it says of a target. */
export interface ReviewEvidence extends Evidence {
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
  readonly endedAt: number | null;
  readonly earned: number | null;
  readonly at: number | null;
}

const firstSettings: ReviewSettings = { isOn: false, maxQuestions: 5, usesBank: true, counts: false };
/** Materials of older rounds are looked at in the lessons they came from. */
const maxRoundsOpen = 10;

/** What comes back in which class, and what was answered to it. */
export function createReviewRepository({ db }: Pick<Deps, 'db'>) {
  const columns = {
    ...{ studentId: reviewRounds.studentId, day: reviewRounds.day, endedAt: reviewRounds.endedAt },
    questionId: sql<string>`${reviewRounds.id} || ' ' || ${reviewAnswers.questionId}`,
    ...{ key: reviewAnswers.targetKey, source: reviewAnswers.source, words: reviewAnswers.words },
    ...{ afterDays: reviewAnswers.afterDays, possible: reviewAnswers.possible },
    ...{ earned: reviewAnswers.earned, at: reviewAnswers.answeredAt },
  };
  const order = [asc(reviewRounds.day), asc(reviewAnswers.roundId), asc(reviewAnswers.questionId)];

  const listAsked = (classId: string, studentId?: string, ifCounts = false): AskedOn[] =>
    db
      .select(columns)
      .from(reviewRounds)
      .innerJoin(reviewAnswers, eq(reviewAnswers.roundId, reviewRounds.id))
      .where(
        and(
          eq(reviewRounds.classId, classId),
          studentId === undefined ? undefined : eq(reviewRounds.studentId, studentId),
          ifCounts
            ? sql`exists (select 1 from ${classReviews} where ${classReviews.classId} = ${reviewRounds.classId} and ${classReviews.counts})`
            : undefined,
        ),
      )
      .orderBy(...order)
      .all();

  const byTarget = (asked: readonly AskedOn[]) => {
    const answers = groupBy(asked.flatMap(asEvidence), (one) => `${one.studentId} ${one.key}`);
    return (studentId: string, key: string): readonly ReviewEvidence[] => answers.get(`${studentId} ${key}`) ?? [];
  };

  return {
    /** @throws Refused notFound where there is no such class */
    read(classId: string, askerId: string, studentId = askerId): ClassReviews {
      const row = db
        .select({
          timeZone: classes.timeZone,
          runs: sql`exists (select 1 from ${classTeachers} where ${classTeachers.classId} = ${classes.id} and ${classTeachers.teacherId} = ${askerId})`.mapWith(
            Boolean,
          ),
          attends:
            sql`exists (select 1 from ${classStudents} where ${classStudents.classId} = ${classes.id} and ${classStudents.studentId} = ${studentId})`.mapWith(
              Boolean,
            ),
          leftOut:
            sql`(select json_group_array(${reviewsLeftOut.source}) from ${reviewsLeftOut} where ${reviewsLeftOut.classId} = ${classes.id})`.mapWith(
              (json: string) => new Set<string>(JSON.parse(json)),
            ),
          settings: {
            ...{ isOn: classReviews.isOn, maxQuestions: classReviews.maxQuestions },
            ...{ usesBank: classReviews.usesBank, counts: classReviews.counts },
          },
        })
        .from(classes)
        .leftJoin(classReviews, eq(classReviews.classId, classes.id))
        .where(eq(classes.id, classId))
        .get();
      const { settings, ...rest } = found(row);
      return { ...(settings ?? firstSettings), ...rest };
    },

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

    /** Classes of a student in which something may come back. */
    listOn: (studentId: string) =>
      db
        .select({ classId: classes.id, className: classes.name, timeZone: classes.timeZone, locale: classes.locale })
        .from(classReviews)
        .innerJoin(classes, eq(classes.id, classReviews.classId))
        .innerJoin(classStudents, eq(classStudents.classId, classes.id))
        .where(and(eq(classStudents.studentId, studentId), eq(classReviews.isOn, true), isNull(classes.archivedAt)))
        .orderBy(asc(classes.name))
        .all(),

    /** Questions that name a target, in the banks of the teachers of a class. */
    listBank: (classId: string) =>
      db
        .select({ id: bankItems.id, question: bankItems.question })
        .from(bankItems)
        .innerJoin(classTeachers, eq(classTeachers.teacherId, bankItems.ownerId))
        .where(and(eq(classTeachers.classId, classId), sql`coalesce(${bankItems.question} ->> '$.target', '') <> ''`))
        .orderBy(asc(bankItems.createdAt), asc(bankItems.id))
        .all(),

    listAsked,
    byTarget,

    /** The students of a class by their names, each with what they were asked. */
    listStudents(classId: string) {
      const rows = db
        .select({ id: users.id, displayName: users.displayName, asked: columns })
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
        asked: own.flatMap(({ asked }) => (asked?.key ? [asked as AskedOn] : [])),
      }));
    },

    /** What was answered to what came back, where that tells of targets. */
    listCounted(classId: string, studentId?: string) {
      return byTarget(listAsked(classId, studentId, true));
    },

    findRound: (classId: string, studentId: string, day: string): ReviewRound | undefined =>
      db
        .select()
        .from(reviewRounds)
        .where(and(eq(reviewRounds.classId, classId), eq(reviewRounds.studentId, studentId), eq(reviewRounds.day, day)))
        .get(),

    getRound: (roundId: string): ReviewRound | undefined =>
      db.select().from(reviewRounds).where(eq(reviewRounds.id, roundId)).get(),

    /** In which language numbers are written in a class. */
    localeOf: (classId: string): string | undefined =>
      db.select({ locale: classes.locale }).from(classes).where(eq(classes.id, classId)).get()?.locale,

    ownerOf: (roundId: string): string | undefined =>
      db.select({ studentId: reviewRounds.studentId }).from(reviewRounds).where(eq(reviewRounds.id, roundId)).get()
        ?.studentId,

    begin(round: ReviewRound & { readonly lesson: Lesson }, asked: readonly AskedAgain[]): void {
      inTransaction(db, () => {
        db.insert(reviewRounds).values(round).run();
        for (const one of asked)
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

    /** Ends a round once nothing of it is left to answer. */
    endWhenDone(roundId: string, endedAt: number): void {
      db.update(reviewRounds)
        .set({ endedAt })
        .where(
          and(
            eq(reviewRounds.id, roundId),
            isNull(reviewRounds.endedAt),
            sql`not exists (select 1 from ${reviewAnswers} where ${reviewAnswers.roundId} = ${reviewRounds.id} and ${isNull(reviewAnswers.earned)})`,
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
