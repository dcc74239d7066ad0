import {
  type AttemptEvent,
  type AttemptState,
  type LearnerEventBody,
  type LearnerLesson,
  type LearnerView,
  type Outcome,
  type Terms,
  takeIn,
  takeInAll,
  type WalkContext,
} from '@semita/core';
import type { IntakeAnswer, SentEvent } from '@semita/core/contract';
import { codeOf } from '../../api/api-error.ts';
import { type AnswerFiles, createAnswerFiles } from '../question/answer-files.ts';
import type { Outbox } from './outbox.ts';

export type Link = 'saved' | 'sending' | 'offline' | 'signedOut' | 'closed' | 'rehearsal';

/** What the page of a walk shows. A new object with every change, never altered. */
export interface WalkSnapshot {
  readonly lesson: LearnerLesson;
  readonly terms: Terms;
  readonly state: AttemptState;
  readonly results: LearnerView['results'];
  readonly hints: LearnerView['hints'];
  readonly ahead: LearnerView['ahead'];
  readonly link: Link;
  /** Questions whose answers the server has not confirmed yet are not in `results`. */
  readonly overtaken: boolean;
}

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

interface Options {
  readonly attemptId: string;
  readonly assignmentId: string;
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

const batchSize = 50;
/** What the student waits for, or must not lose. */
const urgentTypes: ReadonlySet<LearnerEventBody['type']> = new Set([
  'answered',
  'acknowledged',
  'kept',
  'chose',
  'openedTile',
  'didTile',
  'hintTaken',
  'handedIn',
  'withdrawn',
  'revised',
] satisfies LearnerEventBody['type'][]);
const retryDelaysMs = [1_000, 2_000, 4_000, 8_000, 15_000];
/** Browsers take at most 64 kB in requests that outlive their page. */
const keepaliveBytes = 60_000;

/**
 * A recorded walk. Every event is folded into the local state by core's reducer, put in the outbox, and sent; it
 * leaves the outbox when the server has confirmed it. The server's view, when it comes, is the truth, and the
 * unconfirmed events are folded on top of it.
 */
export function createWalkSession(options: Options): WalkSession {
  const { attemptId, terms, outbox, send, newId } = options;
  const context: WalkContext = { lesson: options.view.lesson, terms, mark: () => null };
  const sittingId = newId();
  const clockOffsetMs = options.serverNow - performance.now();
  const listeners = new Set<() => void>();
  const now = () => clockOffsetMs + performance.now();
  const toEvent = (event: SentEvent): AttemptEvent => ({ ...event, receivedAt: now() });

  let n = 0;
  let pending: SentEvent[] = [...options.leftOver];
  let snapshot: WalkSnapshot = {
    lesson: options.view.lesson,
    terms,
    state: takeInAll(context, options.view.state, pending.map(toEvent)),
    results: options.view.results,
    hints: options.view.hints,
    ahead: options.view.ahead,
    link: 'saved',
    overtaken: false,
  };
  let isSending = false;
  let failures = 0;
  let timer = 0;

  const change = (next: Partial<WalkSnapshot>) => {
    snapshot = { ...snapshot, ...next };
    for (const listener of listeners) listener();
  };

  const rebase = (view: LearnerView, overtaken: boolean) =>
    change({
      results: view.results,
      hints: view.hints,
      ahead: view.ahead,
      state: takeInAll(context, view.state, pending.map(toEvent)),
      overtaken,
    });

  const schedule = (delayMs: number) => {
    clearTimeout(timer);
    timer = window.setTimeout(() => void pump(), delayMs);
  };

  const pump = async () => {
    if (isSending || pending.length === 0) return;
    isSending = true;
    const batch = pending.slice(0, batchSize);
    try {
      const answer = await send(batch, { keepalive: false });
      failures = 0;
      await confirm(batch, answer);
    } catch (error) {
      await onFailure(batch, error);
    } finally {
      isSending = false;
    }
    if (snapshot.link === 'sending') schedule(0);
  };

  const confirm = async (batch: readonly SentEvent[], answer: IntakeAnswer) => {
    const ids = new Set(batch.map((event) => event.id));
    pending = pending.filter((event) => !ids.has(event.id));
    await outbox.remove(attemptId, ids);
    if (answer.view)
      rebase(
        answer.view,
        answer.outcomes.some((outcome) => outcome.kind === 'refused'),
      );
    change({ link: pending.length > 0 ? 'sending' : 'saved' });
  };

  const onFailure = async (batch: readonly SentEvent[], error: unknown) => {
    const code = codeOf(error);
    if (code === 'notSignedIn') change({ link: 'signedOut' });
    else if (code === 'windowClosed' || code === 'notFound') change({ link: 'closed' });
    else if (code === 'inputInvalid' && batch.length === 1) {
      // Can only be a fault of ours, and would block all that comes after it for ever.
      console.error('The server could not read an event', batch[0]);
      await outbox.remove(attemptId, new Set(batch.map((event) => event.id)));
      pending = pending.filter((event) => event !== batch[0]);
      change({ link: pending.length > 0 ? 'sending' : 'saved' });
    } else {
      change({ link: 'offline' });
      schedule(retryDelaysMs[Math.min(failures++, retryDelaysMs.length - 1)] as number);
    }
  };

  /** The page may be gone before an answer comes; what is lost on the way is still in the outbox. */
  const sendBeforeLeaving = () => {
    const batch = pending.slice(0, batchSize);
    if (batch.length === 0 || JSON.stringify(batch).length > keepaliveBytes) return;
    send(batch, { keepalive: true }).catch(() => undefined);
  };

  const onVisibility = () => {
    record({ type: document.visibilityState === 'hidden' ? 'hidden' : 'shown' });
    if (document.visibilityState === 'hidden') sendBeforeLeaving();
    else void catchUp();
  };

  /** Another device may have gone on in the meantime. */
  const catchUp = async () => {
    await pump();
    if (pending.length > 0) return;
    const view = await options.refresh().catch(() => null);
    if (view) rebase(view, false);
  };

  const record = (body: LearnerEventBody): Outcome['kind'] => {
    const event: SentEvent = { ...body, id: newId(), sittingId, n, at: Date.now() };
    const { state, outcome } = takeIn(context, snapshot.state, toEvent(event));
    if (outcome.kind !== 'taken') return outcome.kind;
    n++;
    pending = [...pending, event];
    void outbox.add(attemptId, event);
    const isUrgent = urgentTypes.has(body.type);
    const link = snapshot.link === 'saved' ? 'sending' : snapshot.link;
    change({ state, link, overtaken: false });
    if (link === 'sending') schedule(isUrgent ? 0 : 800);
    return outcome.kind;
  };

  return {
    context,
    assignmentId: options.assignmentId,
    files: createAnswerFiles(attemptId),
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
      return () => {
        window.removeEventListener('online', onOnline);
        window.removeEventListener('pagehide', sendBeforeLeaving);
        document.removeEventListener('visibilitychange', onVisibility);
        clearTimeout(timer);
        void pump();
      };
    },
  };
}
