import { createHash } from 'node:crypto';
import { givenAnswersSince } from '@semita/core/analysis';
import { allShown } from '@semita/core/assignment';
import { type AttemptEvent, type AttemptState, beginAttempt, defaultTerms, type Terms } from '@semita/core/attempt';
import type { IntakeAnswer, OpenedReview, SentEvent, WaitingReview } from '@semita/core/contract';
import { learnerView } from '@semita/core/learner';
import { stopTimeMs } from '@semita/core/lesson';
import { createContext } from '@semita/core/own-lesson';
import { takeIn } from '@semita/core/reducer';
import { chooseReview, daysBetween, reviewLesson, reviewQuestionId } from '@semita/core/review';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import { newToken } from '../accounts/token.ts';
import { type ReviewPlans, roundOf } from './review-plans.ts';
import type { AskedAgain, ReviewRepository, ReviewRound } from './review-repository.ts';

export type ReviewService = ReturnType<typeof createReviewService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId'> {
  readonly repository: ReviewRepository;
  readonly plans: ReviewPlans;
}

type OnClass = ReturnType<ReviewRepository['listOn']>[0];

/** Nobody does so much with a few questions. */
const maxEvents = 2_000;
const longestWords = 90;

/** What a student has not met, asked again: a few questions on a day, walked like a lesson. */
export function createReviewService({ db, clock, newId, repository, plans }: Options) {
  /** What would be asked of a student on a day; nothing where nothing is due. */
  const choose = (student: ReturnType<ReviewPlans['readStudent']>, day: string) => {
    const due = [...student.plan].flatMap(([key, { dueDay, mastery }]) =>
      dueDay <= day ? [{ key, dueDay, share: mastery.share }] : [],
    );
    return due.length === 0 ? [] : chooseReview(due, student.pool(), student.lastMet, student.settings.maxQuestions);
  };

  const contextOf = (round: ReviewRound, locale: string) => {
    const terms: Terms = { ...defaultTerms, locale };
    return createContext(round.lesson, terms);
  };

  const replay = (round: ReviewRound, context: ReturnType<typeof contextOf>): AttemptState =>
    repository
      .listEvents(round.id)
      .reduce(
        (state, event) => takeIn(context, state, event).state,
        beginAttempt({ begunAt: round.begunAt, secret: round.secret }),
      );

  const toOpened = (round: ReviewRound, { className, locale }: OnClass): OpenedReview => {
    const context = contextOf(round, locale);
    const state = replay(round, context);
    return {
      ...{ roundId: round.id, className, terms: context.terms as OpenedReview['terms'], now: clock() },
      view: learnerView(context.lesson, state, context.terms, allShown),
    };
  };

  const onClass = (studentId: string, classId: string): OnClass =>
    found(repository.listOn(studentId).find((one) => one.classId === classId));

  return {
    choose,

    /** What waits for a student today, by the class. */
    list(actor: Actor): WaitingReview[] {
      return repository.listOn(actor.id).flatMap(({ classId, className, timeZone }): WaitingReview[] => {
        const day = plans.dayOf(timeZone);
        const student = plans.readStudent(actor, classId, actor.id);
        const round = roundOf(student.askedOn, day);
        if (round?.isEnded) return [];
        if (round) return [{ classId, className, questionCount: round.left, answeringMs: null, begun: true }];
        const questions = choose(student, day).map(({ question }) => question);
        if (questions.length === 0) return [];
        const answeringMs = stopTimeMs({ kind: 'checkpoint', questions });
        return [{ classId, className, questionCount: questions.length, answeringMs, begun: false }];
      });
    },

    /**
     * Today's round, begun where it was not yet.
     * @returns null where nothing comes back today
     * @throws Refused notFound where nothing comes back in this class at all
     */
    open(actor: Actor, classId: string): OpenedReview | null {
      const place = onClass(actor.id, classId);
      const day = plans.dayOf(place.timeZone);
      const begun = repository.findRound(classId, actor.id, day);
      if (begun) return toOpened(begun, place);
      const student = plans.readStudent(actor, classId, actor.id);
      const chosen = choose(student, day);
      if (chosen.length === 0) return null;
      const round: ReviewRound = {
        ...{ id: newId(), classId, studentId: actor.id, day, begunAt: clock(), endedAt: null },
        secret: createHash('sha256').update(newToken()).digest('hex'),
        lesson: reviewLesson(
          place.className,
          chosen.map(({ question }) => question),
        ),
      };
      const asked = chosen.flatMap(({ source, question, targets }, index) =>
        targets.map((targetKey): AskedAgain => {
          const lastDay = student.plan.get(targetKey)?.lastDay;
          return {
            ...{ questionId: reviewQuestionId(index), targetKey, source, possible: question.points },
            words: question.stem.slice(0, longestWords),
            afterDays: lastDay === undefined ? 0 : daysBetween(lastDay, day),
          };
        }),
      );
      repository.begin(round, asked);
      return toOpened(round, place);
    },

    /**
     * What a student did in a round, also of a day before, and after they left or it was turned off; answered once it is
     * on disk.
     * @throws Refused notFound, tooManyRequests
     */
    takeIn(roundId: string, events: readonly SentEvent[]): IntakeAnswer {
      const round = found(repository.getRound(roundId));
      const context = contextOf(round, found(repository.localeOf(round.classId)));
      const now = clock();
      return inTransaction(db, () => {
        const before = replay(round, context);
        if (before.version + events.length > maxEvents) throw new Refused('tooManyRequests');
        let state = before;
        const outcomes = events.map((event): IntakeAnswer['outcomes'][0] => {
          const received: AttemptEvent = { ...event, receivedAt: now };
          const taken = takeIn(context, state, received);
          // What is repeated or comes before its turn leaves nothing behind.
          if (taken.outcome.kind !== 'repeated' && taken.outcome.kind !== 'tooEarly')
            repository.append(round.id, taken.state.version, received);
          state = taken.state;
          return { id: event.id, ...taken.outcome };
        });
        for (const answers of givenAnswersSince(context.lesson, before, state).values())
          for (const { questionId, points } of answers)
            if (points !== null) repository.answer(round.id, questionId, points, now);
        repository.endWhenDone(round.id, now);
        const view = learnerView(context.lesson, state, context.terms, allShown);
        return { outcomes, version: state.version, now, view };
      });
    },
  };
}
