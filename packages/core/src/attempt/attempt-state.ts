import type { Coverage } from '../coverage/coverage.ts';
import type { Hundredths } from '../elements/points.ts';
import type { RubricLevels } from '../marking/rubric.ts';
import type { Via } from '../path/path-graph.ts';
import type { Returns } from '../path/path-lesson.ts';
import type { Drawing } from '../question/drawing.ts';
import type { HandedFile, Response } from '../question/response.ts';
import type { AttemptEvent } from './attempt-event.ts';
import type { Refusal } from './refusal.ts';

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
  /** When the learner was there, the earliest first; the latest where there were very many. */
  readonly spells?: readonly Spell[] | undefined;
  /** Time on task in each part, with its stops, in ms. */
  readonly spentIn?: Readonly<Record<string, number>> | undefined;
  /** The furthest figure of progress so far, 0 to 1, where it would fall otherwise. */
  readonly bestProgress?: number | undefined;
  /** What is drawn and shuffled for this student comes from this. Never leaves the server. */
  readonly secret: string;
  /** Begun before there were secrets: questions that were drawn by the time of beginning stay theirs. */
  readonly drawnByTime?: true | undefined;
  /** What came in after closing up to then, on the server's clock, counts all the same. */
  readonly admittedUntil?: number | undefined;
  /** What came in after closing and waits for a teacher to say whether it counts. */
  readonly afterClosing?: AfterClosing | undefined;
  /** How much longer than others this student has for what is timed, as a factor; 1 where absent. */
  readonly extraTime?: number | undefined;
  /** Names of the groups of the class the student is in. */
  readonly groups?: readonly string[] | undefined;
  /** The way taken, in a lesson that has more than one. */
  readonly route?: RouteState | undefined;
  readonly discrepancies: Discrepancies;
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
  /** Where a film was paused, in ms; the latest where there were very many. */
  readonly pauses?: readonly number[] | undefined;
  /** Where the learner went back, from and to, in ms; the latest where there were very many. */
  readonly rewinds?: readonly Rewind[] | undefined;
  /** Of a text or slides: time before each block was met, by where the block begins, in ms. */
  readonly blockMs?: Readonly<Record<number, number>> | undefined;
}

export type Rewind = readonly [fromMs: number, toMs: number];

/** A time of being there, on whatever devices, without a long break. */
export interface Spell {
  readonly fromAt: number;
  readonly untilAt: number;
  readonly spentMs: number;
  /** How often the tab was left. */
  readonly timesAway: number;
}

export type StopPhase = 'open' | 'answered' | 'acknowledged' | 'chosen' | 'passed';

export interface StopState {
  readonly phase: StopPhase;
  readonly openedAt: number;
  /** When it came in, where that was much later than it was given: without a connection, or by a clock that is wrong. */
  readonly arrivedAt?: number | undefined;
  /** When students began its timed questions, by question. */
  readonly began?: Readonly<Record<string, number>> | undefined;
  /** Timed questions whose time is over. */
  readonly ended?: readonly string[] | undefined;
  /** `timeSpentMs` of the attempt when the stop last opened: how long the learner has been at it. */
  readonly openedAtSpentMs: number;
  readonly settledAt: number | null;
  /** Time on task at the stop, all the times it was open until it was settled. */
  readonly spentMs?: number | undefined;
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
  /** What was taken off for a hint. */
  readonly hintCost?: Hundredths | undefined;
}

export interface EarlierAnswer {
  readonly response: Response;
  readonly points: Hundredths | null;
  readonly comment: string | null;
  readonly because: 'tried' | 'returned';
  readonly hintCost?: Hundredths | undefined;
}

/** What students did in time and what came in when the assignment was closed. */
export interface AfterClosing {
  readonly events: number;
  readonly answers: number;
  /** When it was done, from and until, and when the last of it came in; epoch ms. */
  readonly fromAt: number;
  readonly untilAt: number;
  readonly arrivedAt: number;
  /** How much it says, in characters of JSON. */
  readonly length: number;
}

/** What was claimed and not believed. */
export interface Discrepancies {
  /** Film time claimed beyond what the clock or the gates allow, in ms. */
  readonly cutMs: number;
  /** Of that, what was claimed while the tab was hidden. */
  readonly hiddenMs: number;
  /** Answers that came in much later than they were given. */
  readonly lateAnswers: number;
  readonly refusedCount: number;
  /** The latest refusals, at most ten. */
  readonly refusals: readonly { readonly eventId: string; readonly reason: Refusal }[];
}

/** Book-keeping of what has arrived. */
export interface Intake {
  /** Sittings by id: the teachers', and those heard of lately. */
  readonly sittings: Readonly<Record<string, Sitting>>;
  /** Events that came before an earlier one of their sitting; applied once the gap is filled, or was waited for. */
  readonly held: readonly AttemptEvent[];
  /** Film met for the first time, in ms of credit: what all sittings together have claimed of the clock. */
  readonly newlyMetMs: number;
}

/** What is known of one opening of the walk on one device. */
export interface Sitting {
  /** The number of its next event. */
  readonly next: number;
  /** Numbers that never came, first and last of each stretch; should they come after all, they are taken. */
  readonly missing?: readonly (readonly [number, number])[] | undefined;
  /** When its last event happened, and when that came in; epoch ms. */
  readonly at: number;
  readonly heardAt: number;
  /** What is added to the device's clock, which was found to be wrong by as much. */
  readonly shiftMs: number;
  /** The device's own clock at its last event, as it was told, and how much of it has been counted. */
  readonly deviceAt: number;
  readonly deviceMs: number;
  /** The tab is hidden. */
  readonly away: boolean;
  /** Film time it may still claim, in ms. */
  readonly creditMs: number;
  /** `deviceMs` when it last claimed any. */
  readonly metAtMs: number;
  /** Of what it did up to then some came in after closing, so that all of it waits for a teacher. */
  readonly waitsUntil?: number | undefined;
}

/** Raised whenever the reducer makes another state of the same log: what older ones made is computed anew. */
export const reducerVersion = 6;

/** Slack granted once on top of the clock, for the jitter of networks and timers. */
export const slackMs = 5_000;

/** What an attempt begins with. */
export interface Beginning {
  /** Server clock, epoch ms. */
  readonly begunAt: number;
  /** A secret of the server, at least 16 random bytes in any spelling: what is drawn for this student comes from it. */
  readonly secret: string;
  readonly drawnByTime?: boolean | undefined;
  readonly admittedUntil?: number | undefined;
}

/** The state of an attempt that has just begun. */
export function beginAttempt({ begunAt, secret, drawnByTime, admittedUntil }: Beginning): AttemptState {
  return {
    version: 0,
    begunAt,
    lastSeenAt: begunAt,
    handedInAt: null,
    currentPartId: null,
    parts: {},
    stops: {},
    timeSpentMs: 0,
    secret,
    ...(drawnByTime ? { drawnByTime } : {}),
    ...(admittedUntil === undefined ? {} : { admittedUntil }),
    discrepancies: { cutMs: 0, hiddenMs: 0, lateAnswers: 0, refusedCount: 0, refusals: [] },
    intake: { sittings: {}, held: [], newlyMetMs: 0 },
  };
}

/** What a browser goes on from: the state it was sent, without what stays with the server. */
export function fromLearnerState(state: Omit<AttemptState, 'secret'>): AttemptState {
  return { ...state, secret: '' };
}

/** What is noted of a stop that is settled now. */
export function settledAs(
  { spentMs = 0, openedAtSpentMs }: Pick<StopState, 'spentMs' | 'openedAtSpentMs'>,
  { timeSpentMs }: Pick<AttemptState, 'timeSpentMs'>,
  at: number,
): Pick<StopState, 'settledAt' | 'spentMs'> {
  return { settledAt: at, spentMs: spentMs + timeSpentMs - openedAtSpentMs };
}

/** The state with one stop as it is now. */
export function withStop(state: AttemptState, stopId: string, stop: StopState): AttemptState {
  return { ...state, stops: { ...state.stops, [stopId]: stop } };
}
