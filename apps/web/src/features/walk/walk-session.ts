import {
  type AttemptEvent,
  type AttemptState,
  eventTraits,
  fromLearnerState,
  type LearnerEventBody,
  type Terms,
} from '@semita/core/attempt';
import type { IntakeAnswer, SentEvent } from '@semita/core/contract';
import type { LearnerLesson, LearnerView } from '@semita/core/learner';
import { type Outcome, takeIn, takeInAll } from '@semita/core/reducer';
import type { WalkContext } from '@semita/core/walk';
import { ApiError, codeOf } from '../../api/api-error.ts';
import { gapFor, isUnreadable, lastBatch, maxPerBatch, nextBatch } from '../outbox/event-batches.ts';
import type { Outbox } from '../outbox/outbox.ts';
import { type AnswerFiles, createAnswerFiles } from '../question/answer-files.ts';

export type Link = 'saved' | 'sending' | 'offline' | 'signedOut' | 'closed' | 'rehearsal';

/** What the page of a walk shows. A new object with every change, never altered. */
export interface WalkSnapshot {
  readonly lesson: LearnerLesson;
  readonly terms: Terms;
  readonly state: AttemptState;
  readonly results: LearnerView['results'];
  readonly hints: LearnerView['hints'];
  readonly ahead: LearnerView['ahead'];
  readonly shown: LearnerView['shown'];
  readonly link: Link;
  /** Questions whose answers the server has not confirmed yet are not in `results`. */
  readonly overtaken: boolean;
  /** What was done here and did not count at once, since the page was opened. */
  readonly untaken: Untaken;
}

export interface Untaken {
  /** Answers, choices and the like that the server refused. */
  readonly refused: number;
  /** Came in after closing: a teacher says whether it counts. */
  readonly afterClosing: number;
  /** Could not be read, and was set aside. */
  readonly setAside: number;
}

export const nothingUntaken: Untaken = { refused: 0, afterClosing: 0, setAside: 0 };

/** A walk going on, whether it is recorded or a rehearsal. */
export interface WalkSession {
  readonly context: WalkContext;
  /** Where the class can be met; null in a rehearsal. */
  readonly assignmentId: string | null;
  readonly files: AnswerFiles;
  /** The server's clock, epoch ms. */
  now(): number;
  getSnapshot(): WalkSnapshot;
  subscribe(listener: () => void): () => void;
  /** Takes an event in at once, on this device; what the rules refuse is not recorded. */
  record(body: LearnerEventBody): Outcome['kind'];
  /** Begins to send and to listen; returns its undo. */
  start(): () => void;
}

/** A walk that the server keeps. */
export interface RecordedWalk extends WalkSession {
  /** Asks how things stand: a teacher may have done something. */
  lookAgain(): Promise<void>;
}

interface Options {
  readonly attemptId: string;
  /** Null where nothing is kept. */
  readonly assignmentId: string | null;
  /** Where files that are handed in go; to the attempt, where it is not said. */
  readonly files?: AnswerFiles;
  readonly terms: Terms;
  readonly view: LearnerView;
  /** Clock of the server at the time of `view`, epoch ms. */
  readonly serverNow: number;
  readonly leftOver: readonly SentEvent[];
  readonly outbox: Outbox;
  readonly send: (events: SentEvent[], options: { keepalive: boolean }) => Promise<IntakeAnswer>;
  readonly refresh: () => Promise<LearnerView>;
  readonly newId: () => string;
}

const retryDelaysMs = [1_000, 2_000, 4_000, 8_000, 15_000];
/** How often a page that is looked at asks how things stand: a teacher may have given something back. */
const lookAgainMs = 60_000;
/** The server's clock is taken anew when it is this far from what was thought. */
const clockToleranceMs = 5_000;

/**
 * A recorded walk. Every event is folded into the local state by core's reducer, put in the outbox, and sent; it
 * leaves the outbox when the server has confirmed it. The server's view, when it comes, is the truth, and the
 * unconfirmed events are folded on top of it.
 */
export function createWalkSession(options: Options): RecordedWalk {
  const { attemptId, terms, outbox, send, newId } = options;
  let context: WalkContext = { lesson: options.view.lesson, terms, mark: () => null };
  const sittingId = newId();
  // By the wall clock of the device, which goes on while it sleeps; set right by every answer of the server.
  let clockOffsetMs = options.serverNow - Date.now();
  const listeners = new Set<() => void>();
  const now = () => clockOffsetMs + Date.now();
  const toEvent = (event: SentEvent): AttemptEvent => ({ ...event, receivedAt: now() });

  let n = 0;
  let pending: SentEvent[] = [...options.leftOver];
  let snapshot: WalkSnapshot = {
    lesson: options.view.lesson,
    terms,
    state: takeInAll(context, fromLearnerState(options.view.state), pending.map(toEvent)),
    results: options.view.results,
    hints: options.view.hints,
    ahead: options.view.ahead,
    shown: options.view.shown,
    link: 'saved',
    overtaken: false,
    untaken: nothingUntaken,
  };
  let batchCount = maxPerBatch;
  let isSending = false;
  let failures = 0;
  let timer = 0;

  const change = (next: Partial<WalkSnapshot>) => {
    snapshot = { ...snapshot, ...next };
    for (const listener of listeners) listener();
  };

  const rebase = (view: LearnerView, overtaken: boolean) => {
    // A teacher may have let the student go on in a corrected edition.
    if (stopIdsOf(view.lesson) !== stopIdsOf(context.lesson)) context = { ...context, lesson: view.lesson };
    change({
      // Questions come with their words once they are reached, or their time begins.
      lesson: view.lesson,
      results: view.results,
      hints: view.hints,
      ahead: view.ahead,
      shown: view.shown,
      state: takeInAll(context, fromLearnerState(view.state), pending.map(toEvent)),
      overtaken,
    });
  };

  const schedule = (delayMs: number) => {
    clearTimeout(timer);
    timer = window.setTimeout(() => void pump(), delayMs);
  };

  const pump = async () => {
    if (isSending || pending.length === 0) return;
    isSending = true;
    const batch = nextBatch(pending, { count: batchCount });
    const sentAt = Date.now();
    try {
      const answer = await send(batch, { keepalive: false });
      failures = 0;
      batchCount = maxPerBatch;
      setClock(answer.now, sentAt);
      await confirm(batch, answer);
    } catch (error) {
      await onFailure(batch, error);
    } finally {
      isSending = false;
    }
    if (snapshot.link === 'sending') schedule(0);
  };

  /** The answer was made somewhere between asking and hearing. */
  const setClock = (serverNow: number, sentAt: number) => {
    const offsetMs = serverNow - (sentAt + Date.now()) / 2;
    if (Math.abs(offsetMs - clockOffsetMs) > clockToleranceMs) clockOffsetMs = offsetMs;
  };

  const confirm = async (batch: readonly SentEvent[], answer: IntakeAnswer) => {
    const early = new Set(answer.outcomes.flatMap(({ id, kind }) => (kind === 'tooEarly' ? [id] : [])));
    const ids = new Set(batch.flatMap(({ id }) => (early.has(id) ? [] : [id])));
    pending = pending.filter((event) => !ids.has(event.id));
    await outbox.remove(attemptId, ids);
    const untaken = untakenBy(snapshot.untaken, batch, answer);
    if (answer.view) rebase(answer.view, untaken.refused > snapshot.untaken.refused);
    change({ untaken, link: pending.length > 0 ? 'sending' : 'saved' });
    // The server waits for what is not here, and goes on without it after a while.
    if (ids.size === 0) throw new ApiError('offline');
    const isElsewhereToo = pending.length === 0 && answer.version !== snapshot.state.version;
    if (isElsewhereToo && !answer.view) await lookAgain();
  };

  const onFailure = async (batch: readonly SentEvent[], error: unknown) => {
    const code = codeOf(error);
    if (code === 'notSignedIn') change({ link: 'signedOut' });
    else if (code === 'windowClosed' || code === 'notFound') change({ link: 'closed' });
    else if (isUnreadable(error) && batch.length > 1) {
      // One of them is at fault, and must not keep back the others.
      batchCount = Math.ceil(batch.length / 2);
      change({ link: 'sending' });
    } else if (isUnreadable(error)) await setAside(batch[0] as SentEvent);
    else {
      change({ link: 'offline' });
      schedule(retryDelaysMs[Math.min(failures++, retryDelaysMs.length - 1)] as number);
    }
  };

  /** Puts a gap in the place of an event that can only be a fault of ours, and says so. */
  const setAside = async (event: SentEvent) => {
    console.error('The server could not read an event', event.type, event.n);
    const gap = gapFor(event);
    pending = pending.map((one) => (one === event ? gap : one));
    await outbox.remove(attemptId, new Set([event.id]));
    await outbox.add(attemptId, gap);
    const { untaken } = snapshot;
    const isGap = event.type === 'gap';
    if (isGap) pending = pending.filter((one) => one !== gap);
    change({ link: 'sending', untaken: { ...untaken, setAside: untaken.setAside + (isGap ? 0 : 1) } });
  };

  /** The page may be gone before an answer comes; what is lost on the way is still in the outbox. */
  const sendBeforeLeaving = () => {
    const batch = lastBatch(pending);
    if (batch.length > 0) send(batch, { keepalive: true }).catch(() => undefined);
  };

  const onVisibility = () => {
    record({ type: document.visibilityState === 'hidden' ? 'hidden' : 'shown' });
    if (document.visibilityState === 'hidden') sendBeforeLeaving();
    else void catchUp();
  };

  /** Another device may have gone on in the meantime. */
  const catchUp = async () => {
    await pump();
    await lookAgain();
  };

  const lookAgain = async () => {
    if (pending.length > 0) return;
    const view = await options.refresh().catch(() => null);
    // Something may have been done meanwhile; then its own answer tells.
    if (view && pending.length === 0) rebase(view, false);
  };

  const record = (body: LearnerEventBody): Outcome['kind'] => {
    const event: SentEvent = { ...body, id: newId(), sittingId, n, at: Math.round(now()) };
    const { state, outcome } = takeIn(context, snapshot.state, toEvent(event));
    if (outcome.kind !== 'taken') return outcome.kind;
    n++;
    pending = [...pending, event];
    void outbox.add(attemptId, event);
    const { isUrgent } = eventTraits[body.type];
    const link = snapshot.link === 'saved' ? 'sending' : snapshot.link;
    change({ state, link, overtaken: false });
    if (link === 'sending') schedule(isUrgent ? 0 : 800);
    return outcome.kind;
  };

  return {
    get context() {
      return context;
    },
    lookAgain,
    assignmentId: options.assignmentId,
    files: options.files ?? createAnswerFiles(attemptId),
    now,
    getSnapshot: () => snapshot,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    record,
    start() {
      const onOnline = () => {
        failures = 0;
        schedule(0);
      };
      record({ type: 'opened' });
      window.addEventListener('online', onOnline);
      window.addEventListener('pagehide', sendBeforeLeaving);
      document.addEventListener('visibilitychange', onVisibility);
      schedule(0);
      const looking = window.setInterval(() => {
        if (document.visibilityState === 'visible') void lookAgain();
      }, lookAgainMs);
      return () => {
        clearInterval(looking);
        window.removeEventListener('online', onOnline);
        window.removeEventListener('pagehide', sendBeforeLeaving);
        document.removeEventListener('visibilitychange', onVisibility);
        clearTimeout(timer);
        void pump();
      };
    },
  };
}

const stopIdsOf = ({ parts }: WalkContext['lesson']): string =>
  parts.map(({ id, stops }) => [id, ...stops.map((stop) => stop.id)].join()).join(';');

/** Counts what did not count at once. Of what was refused only what somebody did, not what merely went on. */
function untakenBy(before: Untaken, batch: readonly SentEvent[], { outcomes }: IntakeAnswer): Untaken {
  const isDeed = (id: string) => {
    const event = batch.find((one) => one.id === id);
    return event !== undefined && eventTraits[event.type].isUrgent;
  };
  const count = (kind: IntakeAnswer['outcomes'][0]['kind']) =>
    outcomes.filter((outcome) => outcome.kind === kind && isDeed(outcome.id)).length;
  return {
    ...before,
    refused: before.refused + count('refused'),
    afterClosing: before.afterClosing + count('afterClosing'),
  };
}
