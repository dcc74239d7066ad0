import {
  type AttemptEvent,
  type AttemptState,
  encodeSheetRow,
  type Outcome,
  sheetRowOf,
  takeIn,
  type WalkContext,
} from '@semita/core';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import type { AttemptKey, AttemptRepository } from './attempt-repository.ts';

export interface Intake {
  readonly state: AttemptState;
  readonly outcomes: readonly Outcome[];
}

interface Job {
  readonly key: AttemptKey;
  /** Told the state, because the server numbers teachers' events. */
  readonly toEvents: (state: AttemptState) => readonly AttemptEvent[];
  readonly resolve: (intake: Intake) => void;
  readonly reject: (error: unknown) => void;
}

/** States kept in memory, so that a student who sends every few seconds is not read from disk every time. */
const mostCachedStates = 2_000;

/**
 * Takes events into the log. Requests that come within the same turn of the loop share one transaction and so one
 * sync to disk; each is answered only after that commit.
 */
export function createEventIntake({
  db,
  bus,
  repository,
  contextOf,
  onSaved,
}: Pick<Deps, 'db' | 'bus'> & {
  readonly repository: AttemptRepository;
  readonly contextOf: (assignmentId: string) => WalkContext;
  /** Told of every state that is kept, inside the transaction that keeps it. */
  readonly onSaved: (attemptId: string, context: WalkContext, before: AttemptState, after: AttemptState) => void;
}) {
  const states = new Map<string, AttemptState>();
  let queue: Job[] = [];

  const readState = (attemptId: string) => states.get(attemptId) ?? repository.getState(attemptId);

  const remember = (attemptId: string, state: AttemptState) => {
    states.delete(attemptId);
    if (states.size >= mostCachedStates) states.delete(states.keys().next().value as string);
    states.set(attemptId, state);
  };

  const run = ({ key, toEvents }: Job, fresh: Map<string, AttemptState>): Intake => {
    const { attemptId, assignmentId } = key;
    const context = contextOf(assignmentId);
    const before = fresh.get(attemptId) ?? readState(attemptId);
    let state = before;
    const outcomes: Outcome[] = [];
    for (const event of toEvents(before)) {
      const result = takeIn(context, state, event);
      outcomes.push(result.outcome);
      if (result.outcome.kind !== 'repeated') repository.append(attemptId, result.state.version, event);
      state = result.state;
    }
    if (state !== before) {
      repository.saveState(attemptId, state, encodeSheetRow(sheetRowOf(context.lesson, state)));
      onSaved(attemptId, context, before, state);
    }
    fresh.set(attemptId, state);
    return { state, outcomes };
  };

  const flush = () => {
    const jobs = queue;
    queue = [];
    const fresh = new Map<string, AttemptState>();
    let intakes: Intake[];
    try {
      intakes = inTransaction(db, () => jobs.map((job) => run(job, fresh)));
    } catch (error) {
      // Nothing was written. One bad job must not fail its neighbours, so each is tried alone.
      if (jobs.length > 1) for (const job of jobs) runAlone(job);
      else jobs[0]?.reject(error);
      return;
    }
    for (const [attemptId, state] of fresh) remember(attemptId, state);
    for (const [index, job] of jobs.entries()) finish(job, intakes[index] as Intake);
  };

  const runAlone = (job: Job) => {
    const fresh = new Map<string, AttemptState>();
    try {
      const intake = inTransaction(db, () => run(job, fresh));
      remember(job.key.attemptId, intake.state);
      finish(job, intake);
    } catch (error) {
      job.reject(error);
    }
  };

  const finish = (job: Job, intake: Intake) => {
    job.resolve(intake);
    bus.publish('attemptChanged', job.key);
  };

  return {
    readState,

    /** Resolves once the events are on disk. */
    take(key: AttemptKey, toEvents: Job['toEvents']): Promise<Intake> {
      return new Promise((resolve, reject) => {
        if (queue.length === 0) setImmediate(flush);
        queue.push({ key, toEvents, resolve, reject });
      });
    },
  };
}

export type EventIntake = ReturnType<typeof createEventIntake>;
