import type { Coverage } from '../coverage/coverage.ts';
import type { Hundredths } from '../lesson/points.ts';
import type { RubricLevels } from '../marking/rubric.ts';
import type { Via } from '../path/path-graph.ts';
import type { Returns } from '../path/path-lesson.ts';
import type { Drawing } from '../question/drawing.ts';
import type { HandedFile, Response } from '../question/response.ts';
import type { AttemptEvent } from './attempt-event.ts';

/** Everything known about one attempt; computed from its events and nothing else. */
export interface AttemptState {
  /** Events of the log that this state has seen. */
  readonly version: number;
  readonly begunAt: number;
  readonly lastSeenAt: number;
  readonly handedInAt: number | null;
  readonly currentPartId: string | null;
  readonly parts: Readonly<Record<string, PartState>>;
  /** Stops the learner has reached; a stop that is missing here is still ahead. */
  readonly stops: Readonly<Record<string, StopState>>;
  readonly timeSpentMs: number;
  /** How much longer than others this student has for what is timed, as a factor; 1 where absent. */
  readonly extraTime?: number | undefined;
  /** Names of the groups of the class the student is in. */
  readonly groups?: readonly string[] | undefined;
  /** The way taken, in a lesson that has more than one. */
  readonly route?: RouteState | undefined;
  readonly doubts: Doubts;
  readonly intake: Intake;
}

/** A stretch of a student's way: one part, from where they came into it until they left it. */
export interface Leg {
  readonly partId: string;
  readonly via: Via | { readonly kind: 'start' };
  /** Number of the stop before which it began, and where that is, in ms. */
  readonly fromStop: number;
  readonly fromMs: number;
  /** Number of the first stop behind the last turn that was passed, and where that turn stands. */
  readonly atStop: number;
  readonly atMs: number;
  /** Where it was left, in ms; null while it goes on. */
  readonly untilMs: number | null;
  readonly returns: Returns;
}

/** A student's way through a lesson that has more than one. */
export interface RouteState {
  readonly legs: readonly Leg[];
  /** Checkpoints and parts whose rules have led somewhere already; each leads once. */
  readonly ruled: readonly string[];
  readonly isAtEnd: boolean;
  /** What led to the end. */
  readonly endVia?: Via | undefined;
  /** Forks a student came back to, each time they did. */
  readonly turnedBack?: readonly string[] | undefined;
  /** The furthest figure of progress so far, 0 to 1. */
  readonly progress: number;
}

export interface PartState {
  readonly coverage: Coverage;
  readonly furthestMs: number;
  /** Where to go on. */
  readonly positionMs: number;
}

export type StopPhase = 'open' | 'answered' | 'acknowledged' | 'chosen' | 'passed';

export interface StopState {
  readonly phase: StopPhase;
  readonly openedAt: number;
  /** `timeSpentMs` of the attempt when the stop opened: how long the learner has been at it. */
  readonly openedAtSpentMs: number;
  readonly settledAt: number | null;
  readonly drafts: Readonly<Record<string, Response>>;
  readonly answers: Readonly<Record<string, Answer>>;
  /** Questions whose hints were read. */
  readonly hints?: readonly string[] | undefined;
  /** Of a fork: the way that was chosen. */
  readonly choiceId?: string | undefined;
  /** Of a board: the tiles that were opened, and whether they are done. */
  readonly tiles?: Readonly<Record<string, 'opened' | 'done'>> | undefined;
}

export interface Answer {
  readonly response: Response;
  /** Null while it waits for a teacher. */
  readonly points: Hundredths | null;
  readonly markedBy: string | null;
  readonly comment: string | null;
  /** What the response itself came to, where a later try or a hint made it worth less. */
  readonly earned?: Hundredths | undefined;
  /** What was given before, the oldest first. */
  readonly earlier?: readonly EarlierAnswer[] | undefined;
  /** Which levels of the question's rubric it met. */
  readonly rubric?: RubricLevels | undefined;
  /** What the teacher says to it aloud. */
  readonly voice?: HandedFile | undefined;
  /** What the teacher drew on it: on a drawing under `drawing`, on a file under its id. */
  readonly drawn?: Readonly<Record<string, Drawing>> | undefined;
  /** Given back by a teacher: the student may work on it again, also after handing in. */
  readonly returned?: boolean | undefined;
}

export interface EarlierAnswer {
  readonly response: Response;
  readonly points: Hundredths | null;
  readonly comment: string | null;
  readonly because: 'tried' | 'returned';
}

/** What was claimed and not believed. */
export interface Doubts {
  /** Film time claimed beyond what the clock or the gates allow, in ms. */
  readonly cutMs: number;
  readonly refusedCount: number;
  /** The latest refusals, at most ten. */
  readonly refusals: readonly { readonly eventId: string; readonly reason: Refusal }[];
}

export type Refusal =
  | 'partUnknown'
  | 'stopUnknown'
  | 'questionUnknown'
  | 'beyondGate'
  | 'lockedByStop'
  | 'notReached'
  | 'notOpen'
  | 'alreadySettled'
  | 'wrongKind'
  | 'unfitting'
  | 'blank'
  | 'mayNotPass'
  | 'alreadyHandedIn'
  | 'notFinished'
  | 'notAnswered'
  | 'noHint'
  | 'timeUp'
  | 'notReturned'
  | 'choiceUnknown'
  | 'needNotMet'
  | 'mayNotTurnBack'
  | 'notHandedIn'
  | 'pointsOutOfRange'
  | 'tooFarAhead';

/** Book-keeping of what has arrived. */
export interface Intake {
  /** The number of the next event of each sitting. */
  readonly next: Readonly<Record<string, number>>;
  /** Events that came before an earlier one of their sitting; applied once the gap is filled. */
  readonly held: readonly AttemptEvent[];
  /** Film time the learner may still claim, in ms, as of `creditAt` on the server's clock. */
  readonly filmCreditMs: number;
  readonly creditAt: number;
  /** Time on task the learner may still claim, in ms. */
  readonly timeCreditMs: number;
  /** Device clock and visibility at the last event of each sitting. */
  readonly clocks: Readonly<Record<string, { readonly at: number; readonly away: boolean }>>;
}

/** Slack granted once on top of the wall clock, for the jitter of networks and timers. */
export const slackMs = 5_000;

/**
 * The state of an attempt that has just begun.
 * @param begunAt server clock, epoch ms
 * @param maxRate the fastest playing rate the terms allow
 */
export function beginAttempt(begunAt: number, maxRate: number): AttemptState {
  return {
    version: 0,
    begunAt,
    lastSeenAt: begunAt,
    handedInAt: null,
    currentPartId: null,
    parts: {},
    stops: {},
    timeSpentMs: 0,
    doubts: { cutMs: 0, refusedCount: 0, refusals: [] },
    intake: {
      next: {},
      held: [],
      filmCreditMs: slackMs * maxRate,
      creditAt: begunAt,
      timeCreditMs: slackMs,
      clocks: {},
    },
  };
}

/** The state with one stop as it is now. */
export function withStop(state: AttemptState, stopId: string, stop: StopState): AttemptState {
  return { ...state, stops: { ...state.stops, [stopId]: stop } };
}
