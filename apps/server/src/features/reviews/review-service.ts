import { givenAnswersSince } from '@semita/core/analysis';
import { allShown } from '@semita/core/assignment';
import { type AttemptEvent, type AttemptState, beginAttempt, defaultTerms } from '@semita/core/attempt';
import type { IntakeAnswer, OpenedReview, SentEvent, WaitingReview } from '@semita/core/contract';
import { learnerView } from '@semita/core/learner';
import { stopTimeMs } from '@semita/core/lesson';
import { createContext } from '@semita/core/own-lesson';
import { takeIn } from '@semita/core/reducer';
import { daysBetween, reviewLesson, reviewQuestionId } from '@semita/core/review';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import { newToken } from '../accounts/token.ts';
import { loggedEvent } from '../attempts/logged-event.ts';
import { type ReviewPlans, roundOf, type StudentReviews } from './review-plans.ts';
import type { AskedAgain, ReviewRepository, ReviewRound } from './review-repository.ts';

export type ReviewService = ReturnType<typeof createReviewService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId'> {
  readonly repository: ReviewRepository;
  readonly plans: ReviewPlans;
}

/** Nobody does so much with a few questions. */
const maxEvents = 2_000;
const longestWords = 90;

/** What a student has not met, asked again: a few questions on a day, walked like a lesson. */
export function createReviewService({ db, clock, newId, repository, plans }: Options) {
  const contextOf = (round: ReviewRound, locale: string) => createContext(round.lesson, { ...defaultTerms, locale });

  const replay = (round: ReviewRound, context: ReturnType<typeof contextOf>): AttemptState =>
    repository
      .listEvents(round.id)
      .reduce(
        (state, event) => takeIn(context, state, event).state,
        beginAttempt({ begunAt: round.begunAt, secret: round.secret }),
      );

  const toOpened = (round: ReviewRound, className: string, locale: string): OpenedReview => {
    const context = contextOf(round, locale);
    const { lesson, terms } = context;
    return {
      ...{ roundId: round.id, className, terms: terms as OpenedReview['terms'], now: clock() },
      view: learnerView(lesson, replay(round, context), terms, allShown),
    };
  };

  const begin = (studentId: string, { of, plan, day, choose }: StudentReviews): ReviewRound | null => {
    const chosen = choose(day);
    if (chosen.length === 0) return null;
    const round: ReviewRound = {
      ...{ id: newId(), classId: of.classId, studentId, day, begunAt: clock(), secret: newToken() },
      lesson: reviewLesson(
        of.className,
        chosen.map(({ question }) => question),
      ),
    };
    const asked = chosen.flatMap(({ source, question, targets }, index) =>
      targets.map((targetKey): AskedAgain => {
        const lastDay = plan.get(targetKey)?.lastDay;
        return {
          ...{ questionId: reviewQuestionId(index), targetKey, source, possible: question.points },
          words: question.stem.slice(0, longestWords),
          afterDays: lastDay === undefined ? 0 : daysBetween(lastDay, day),
        };
      }),
    );
    repository.begin(round, asked);
    return round;
  };

  return {
    /** What waits for a student today, by the class. */
    list(actor: Actor): WaitingReview[] {
      const places = repository.listOn(actor.id);
      if (places.length === 0) return [];
      return plans.readStudent(actor, actor.id, places).flatMap(({ of, day, askedOn, choose }): WaitingReview[] => {
        const { classId, className } = of;
        const round = roundOf(askedOn, day);
        if (round)
          return round.left === 0
            ? []
            : [{ classId, className, questionCount: round.left, answeringMs: null, begun: true }];
        const questions = choose(day).map(({ question }) => question);
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
      const place = found(repository.listOn(actor.id).find((one) => one.classId === classId));
      const { className, timeZone, locale } = place;
      const begun = repository.findRound(classId, actor.id, plans.dayOf(timeZone));
      if (begun) return toOpened(begun, className, locale);
      const [student] = plans.readStudent(actor, actor.id, [place]) as [StudentReviews];
      const round = begin(actor.id, student);
      return round && toOpened(round, className, locale);
    },

    /**
     * What a student did in a round, also of a day before, and after they left or it was turned off; answered once it is
     * on disk.
     * @throws Refused notFound, tooManyRequests
     */
    takeIn(roundId: string, events: readonly SentEvent[]): IntakeAnswer {
      const { round, locale } = found(repository.getRound(roundId));
      const context = contextOf(round, locale);
      const now = clock();
      return inTransaction(db, () => {
        const before = replay(round, context);
        if (before.version + events.length > maxEvents) throw new Refused('tooManyRequests');
        let state = before;
        const outcomes = events.map((event): IntakeAnswer['outcomes'][0] => {
          const received: AttemptEvent = { ...event, receivedAt: now };
          const { state: after, outcome } = takeIn(context, state, received);
          state = after;
          // What is repeated or comes before its turn leaves nothing behind.
          if (outcome.kind !== 'repeated' && outcome.kind !== 'tooEarly')
            repository.append(round.id, after.version, loggedEvent(received, outcome));
          return { id: event.id, ...outcome };
        });
        for (const answers of givenAnswersSince(context.lesson, before, state).values())
          for (const { questionId, points } of answers)
            if (points !== null) repository.answer(round.id, questionId, points, now);
        const view = learnerView(context.lesson, state, context.terms, allShown);
        return { outcomes, version: state.version, now, view };
      });
    },
  };
}
