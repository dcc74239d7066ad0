import type {
  Answer,
  AttemptState,
  EarlierAnswer,
  Leg,
  PartState,
  Spell,
  StopState,
} from '../attempt/attempt-state.ts';

/** What of an attempt a teacher is shown when they open one student. The secret and the book-keeping stay with the server. */
export interface ShownState
  extends Pick<AttemptState, 'parts' | 'stops' | 'discrepancies' | 'afterClosing' | 'spells' | 'spentIn'> {
  /** The way taken, where there is more than one. */
  readonly route?: { readonly legs: readonly Pick<Leg, 'partId' | 'via'>[]; readonly isAtEnd: boolean } | undefined;
}

/** Built by naming: what a state gains is shown to nobody until it is named here. */
export function shownStateOf(state: AttemptState): ShownState {
  const { parts, stops, discrepancies, afterClosing, spells, spentIn, route } = state;
  const { cutMs, hiddenMs, lateAnswers, refusedCount, refusals } = discrepancies;
  return {
    parts: mapped(parts, shownPart),
    stops: mapped(stops, shownStop),
    ...present({ spells: spells?.map(shownSpell), spentIn }),
    discrepancies: {
      ...{ cutMs, hiddenMs, lateAnswers, refusedCount },
      refusals: refusals.map(({ eventId, reason }) => ({ eventId, reason })),
    },
    ...(route
      ? { route: { legs: route.legs.map(({ partId, via }) => ({ partId, via })), isAtEnd: route.isAtEnd } }
      : {}),
    ...(afterClosing ? { afterClosing: shownAfterClosing(afterClosing) } : {}),
  };
}

const shownPart = ({ coverage, furthestMs, positionMs, pauses, rewinds, blockMs }: PartState): PartState => ({
  ...{ coverage, furthestMs, positionMs },
  ...present({ pauses, rewinds, blockMs }),
});

const shownSpell = ({ fromAt, untilAt, spentMs, timesAway }: Spell): Spell => ({ fromAt, untilAt, spentMs, timesAway });

function shownStop(stop: StopState): StopState {
  const { phase, openedAt, openedAtSpentMs, settledAt, drafts, answers } = stop;
  const { spentMs, arrivedAt, began, ended, hints, choiceId, tiles } = stop;
  return {
    ...{ phase, openedAt, openedAtSpentMs, settledAt, drafts },
    answers: mapped(answers, shownAnswer),
    ...present({ spentMs, arrivedAt, began, ended, hints, choiceId, tiles }),
  };
}

/** An answer as teachers see it, with who marked it and how. */
export function shownAnswer(answer: Answer): Answer {
  const { response, points, markedBy, comment, earned, earlier, rubric, voice, drawn, returned, hintCost } = answer;
  return {
    ...{ response, points, markedBy, comment },
    ...present({ earned, rubric, voice, drawn, returned, hintCost, earlier: earlier?.map(shownEarlier) }),
  };
}

const shownEarlier = ({ response, points, comment, because, hintCost }: EarlierAnswer): EarlierAnswer => ({
  ...{ response, points, comment, because },
  ...present({ hintCost }),
});

const shownAfterClosing = ({
  events,
  answers,
  fromAt,
  untilAt,
  arrivedAt,
  length,
}: NonNullable<AttemptState['afterClosing']>) => ({
  ...{ events, answers, fromAt, untilAt, arrivedAt, length },
});

function mapped<T>(record: Readonly<Record<string, T>>, map: (value: T) => T): Record<string, T> {
  return Object.fromEntries(Object.entries(record).map(([key, value]) => [key, map(value)]));
}

function present<T extends object>(fields: T): Partial<T> {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
}
