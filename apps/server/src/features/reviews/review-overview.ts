import type { ReviewOverview, ReviewPreview } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { stayedAfter } from '@semita/core/review';
import { Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { SheetRepository } from '../assignments/sheet-repository.ts';
import type { EvidenceOf, NamedInClass, TargetEvidence } from '../targets/target-evidence.ts';
import { nextDayOf, planOf, type ReviewPlans, roundOf, type StudentReviews, sourceOf } from './review-plans.ts';
import type { AskedOn, ReviewRepository } from './review-repository.ts';

export type ReviewOverviewService = ReturnType<typeof createReviewOverview>;

interface Options {
  readonly repository: ReviewRepository;
  readonly plans: ReviewPlans;
  readonly evidence: TargetEvidence;
  readonly sheets: Pick<SheetRepository, 'listOutlines'>;
}

const longestStem = 160;

/** What teachers see of what comes back: to whom, when, with which questions, and how much stayed. */
export function createReviewOverview({ repository, plans, evidence, sheets }: Options) {
  return {
    read(actor: Actor, classId: string): ReviewOverview {
      const { runs, attends: _, ...of } = repository.read(classId, { askerId: actor.id });
      const [named] = evidence.readNamed(actor, [of]) as [NamedInClass];
      const students = repository.listStudents(classId);
      const askedOn = students.flatMap(({ asked }) => asked);
      const outlines = sheets.listOutlines(named.assignmentIds, new Set([classId]));
      const [inLessons] = evidence.readEvidence([named], outlines) as [EvidenceOf];
      const inReviews = repository.byTarget(askedOn);
      const day = plans.dayOf(of.timeZone);
      const { all, askable } = plans.readClassPool(of, named);
      const ofTarget = groupBy(askedOn, ({ key }) => key);
      const wordsOf = new Map([
        ...askedOn.map(({ source, words }) => [source, words] as const),
        ...all.map(({ source, question }) => [source, question.stem.slice(0, longestStem)] as const),
      ]);
      return {
        ...{ settings: of.settings, day, runs },
        targets: named.targets.map(({ key, code, words }) => ({
          ...{ key, code, words },
          questionCount: askable.filter(({ targets }) => targets.includes(key)).length,
          stayed: stayedAfter(answersOf(ofTarget.get(key) ?? [])).all,
        })),
        students: students.map(({ id, displayName, asked }) => {
          const plan = planOf(named, id, inLessons, inReviews);
          const round = roundOf(asked, day);
          return {
            ...{ id, displayName },
            back: named.targets.flatMap(({ key }, place) => {
              const back = plan.get(key);
              return back ? [{ place, level: back.mastery.level }] : [];
            }),
            nextDay: nextDayOf(plan, asked, day),
            today: round === null ? null : round.left === 0 ? ('done' as const) : ('begun' as const),
          };
        }),
        // Of several targets of one question one tells how much stayed.
        stayed: stayedAfter(answersOf([...new Map(askedOn.map((one) => [one.questionId, one])).values()])),
        leftOut: [...of.leftOut].map((source) => ({ source, words: wordsOf.get(source) ?? '' })),
      };
    },

    /**
     * What would be asked of a student when next something is due.
     * @throws Refused notFound for whom the class does not have
     */
    preview(actor: Actor, classId: string, studentId: string): ReviewPreview {
      const { attends, runs: _, ...of } = repository.read(classId, { askerId: actor.id, studentId });
      if (!attends) throw new Refused('notFound');
      const [student] = plans.readStudent(actor, studentId, [of]) as [StudentReviews];
      const { named, plan, askedOn, choose } = student;
      const day = nextDayOf(plan, askedOn, student.day);
      const titleOf = new Map(
        named.asked.map(({ assignmentId, question }) => [sourceOf(question), named.titles[assignmentId] ?? null]),
      );
      return {
        day,
        questions: (day === null ? [] : choose(day)).map(({ source, question, targets }) => ({
          ...{ source, stem: question.stem.slice(0, longestStem), targets: [...targets] },
          from: titleOf.get(source) ?? null,
        })),
        answers: askedOn.flatMap(({ words, key, day: on, earned, possible, afterDays }) =>
          earned === null ? [] : [{ words, key, day: on, earned, possible, afterDays }],
        ),
      };
    },
  };
}

const answersOf = (asked: readonly AskedOn[]) =>
  asked.flatMap(({ earned, possible, afterDays }) =>
    earned === null || possible === 0 ? [] : [{ share: earned / possible, afterDays }],
  );
