import type { ReviewOverview, ReviewPreview } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { stayedAfter } from '@semita/core/review';
import type { Actor } from '../accounts/session-service.ts';
import type { TargetEvidence } from '../targets/target-evidence.ts';
import { type ReviewPlans, roundOf, sourceOf } from './review-plans.ts';
import type { AskedOn, ReviewRepository } from './review-repository.ts';
import type { ReviewService } from './review-service.ts';

export type ReviewOverviewService = ReturnType<typeof createReviewOverview>;

interface Options {
  readonly repository: ReviewRepository;
  readonly plans: ReviewPlans;
  readonly reviews: Pick<ReviewService, 'choose'>;
  readonly evidence: TargetEvidence;
}

const longestStem = 160;

/** What teachers see of what comes back: to whom, when, with which questions, and how much stayed. */
export function createReviewOverview({ repository, plans, reviews, evidence }: Options) {
  return {
    read(actor: Actor, classId: string): ReviewOverview {
      const settings = repository.read(classId, actor.id);
      const { timeZone, runs } = settings;
      const named = evidence.readNamed(actor, { classId, timeZone });
      const students = repository.listStudents(classId);
      const askedOn = students.flatMap(({ asked }) => asked);
      const inLessons = evidence.readEvidence(classId, named);
      const inReviews = repository.byTarget(askedOn);
      const day = plans.dayOf(timeZone);
      const pool = plans.listClassPool(classId, named, { ...settings, leftOut: new Set() });
      const askable = pool.filter(({ source }) => !settings.leftOut.has(source));
      const ofTarget = groupBy(askedOn, ({ key }) => key);
      const wordsOf = new Map([
        ...askedOn.map(({ source, words }) => [source, words] as const),
        ...pool.map(({ source, question }) => [source, question.stem.slice(0, longestStem)] as const),
      ]);
      return {
        settings: {
          ...{ isOn: settings.isOn, maxQuestions: settings.maxQuestions },
          ...{ usesBank: settings.usesBank, counts: settings.counts },
        },
        ...{ day, timeZone, runs },
        targets: named.targets.map(({ key, code, words }) => ({
          ...{ key, code, words },
          questionCount: askable.filter(({ targets }) => targets.includes(key)).length,
          stayed: stayedAfter(answersOf(ofTarget.get(key) ?? [])).all,
        })),
        students: students.map(({ id, displayName, asked }) => {
          const plan = plans.planOf(named, id, inLessons, inReviews);
          const round = roundOf(asked, day);
          return {
            ...{ id, displayName },
            back: named.targets.flatMap(({ key }, place) => {
              const back = plan.get(key);
              return back ? [{ place, dueDay: back.dueDay, level: back.mastery.level }] : [];
            }),
            today: round === null ? null : round.isEnded ? ('done' as const) : ('begun' as const),
          };
        }),
        // Of several targets of one question one tells how much stayed.
        stayed: stayedAfter(answersOf([...new Map(askedOn.map((one) => [one.questionId, one])).values()])),
        leftOut: [...settings.leftOut].map((source) => ({ source, words: wordsOf.get(source) ?? '' })),
      };
    },

    /**
     * What would be asked of a student when next something is due.
     * @throws Refused notFound for whom the class does not have
     */
    preview(actor: Actor, classId: string, studentId: string): ReviewPreview {
      const student = plans.readStudent(actor, classId, studentId);
      const today = plans.dayOf(student.named.timeZone);
      const next = [...student.plan.values()].reduce<string | null>(
        (first, { dueDay }) => (first === null || dueDay < first ? dueDay : first),
        null,
      );
      const day = next === null ? null : next < today ? today : next;
      const titleOf = new Map(
        student.named.asked.map(({ assignmentId, question }) => [
          sourceOf(question),
          student.named.titles[assignmentId] ?? null,
        ]),
      );
      return {
        day,
        questions: (day === null ? [] : reviews.choose(student, day)).map(({ source, question, targets }) => ({
          ...{ source, kind: question.kind, stem: question.stem.slice(0, longestStem), targets: [...targets] },
          from: titleOf.get(source) ?? null,
        })),
        answers: student.askedOn
          .filter(({ at }) => at !== null)
          .map(({ words, key, day: on, earned, possible, afterDays }) => ({
            ...{ words, key, day: on, earned: earned ?? 0, possible, afterDays },
          })),
      };
    },
  };
}

const answersOf = (asked: readonly AskedOn[]) =>
  asked.flatMap(({ earned, possible, afterDays }) =>
    earned === null || possible === 0 ? [] : [{ share: earned / possible, afterDays }],
  );
