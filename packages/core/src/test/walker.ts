import type { LearnerEventBody } from '../attempt/attempt-event.ts';
import { type AttemptState, beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms, type Terms } from '../attempt/terms.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeIn } from '../reducer/take-in.ts';
import { partStateOf } from '../walk/settled.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';
import { createSitting } from './bridge-lesson.ts';

/** Someone who walks a lesson, event by event. */
export function walker(
  of: Lesson,
  terms: Partial<Terms> = {},
  context: WalkContext = createContext(of, { ...defaultTerms, ...terms }),
  from: AttemptState = beginAttempt({ begunAt: 0, secret: 'of a test' }),
) {
  let state = from;
  let now = 0;
  const event = createSitting('a', 0);
  const act = (body: LearnerEventBody) => {
    now += 60_000;
    const made = event(body);
    const result = takeIn(context, state, { ...made, n: state.intake.sittings.a?.next ?? 0, receivedAt: now });
    state = result.state;
    return result.outcome.kind === 'refused' ? result.outcome.reason : result.outcome.kind;
  };
  const answer = (stopId: string, isRight: boolean) => {
    act({ type: 'reachedStop', stopId });
    const optionIds = [isRight ? 'o-compression' : 'o-tension'];
    return act({ type: 'answered', stopId, responses: { [`${stopId}-q`]: { kind: 'choice', optionIds } } });
  };
  const play = (partId: string, toMs: number) => {
    const part = of.parts.find(({ id }) => id === partId);
    const fromMs = part ? partStateOf(state, part).furthestMs : 0;
    return act({ type: 'met', partId, fromMs, toMs, rate: 1 });
  };
  const choose = (stopId: string, way: number) => {
    act({ type: 'reachedStop', stopId });
    return act({ type: 'chose', stopId, choiceId: `${stopId}-${way}` });
  };
  return {
    context,
    act,
    answer,
    play,
    choose,
    get state() {
      return state;
    },
  };
}
