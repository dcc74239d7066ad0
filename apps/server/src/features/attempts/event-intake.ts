import { type AttemptEvent, type AttemptState, eventTraits } from '@semita/core/attempt';
import { type Outcome, takeIn } from '@semita/core/reducer';
import { sheetRowOf } from '@semita/core/sheet';
import type { WalkContext } from '@semita/core/walk';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import type { Projection } from '../../projections/projection.ts';
import type { AttemptKey, AttemptRepository } from './attempt-repository.ts';
import type { AttemptStates, KnownState } from './attempt-states.ts';
import { loggedEvent } from './logged-event.ts';

export interface Intake {
  readonly state: AttemptState;
  readonly outcomes: readonly Outcome[];
  /** Something was done by somebody else than the student. */
  readonly byOthers: boolean;
  /** The way the student is on has changed. */
  readonly isRouteMoved: boolean;
}

interface Job {
  readonly key: AttemptKey;
  /** Told the state, because the server numbers teachers' events. */
  readonly toEvents: (state: AttemptState) => readonly AttemptEvent[];
  readonly resolve: (intake: Intake) => void;
  readonly reject: (error: unknown) => void;
}

/** The whole state is stored after so many events, so that reading it never takes in more than these. */
const eventsPerSave = 50;

/**
 * Takes events into the log. Requests that come within the same turn of the loop share one transaction and so one
 * sync to disk; each is answered only after that commit.
 */
export function createEventIntake({
  db,
  bus,
  repository,
  states,
  contextOf,
  projections,
}: Pick<Deps, 'db' | 'bus'> & {
  readonly repository: AttemptRepository;
  readonly states: AttemptStates;
  readonly contextOf: (attempt: AttemptKey) => WalkContext;
  readonly projections: readonly Projection[];
}) {
  let queue: Job[] = [];

  /** Puts an event into the log with what is worth keeping of it. */
  const log = (attemptId: string, before: KnownState, after: AttemptState, event: AttemptEvent, outcome: Outcome) => {
    const seq = after.version;
    if (event.type === 'draftSaved' && outcome.kind === 'taken') logDraft(attemptId, before, after, event);
    else repository.append(attemptId, seq, loggedEvent(event, outcome));
  };

  /** Of the drafts of a question only the latest is kept; those just before it leave nothing behind. */
  const logDraft = (
    attemptId: string,
    { state: before, savedVersion }: KnownState,
    after: AttemptState,
    event: Extract<AttemptEvent, { type: 'draftSaved' }>,
  ) => {
    // What an answer was made of stays in the log, should the answer come back and be worked on again.
    const isAgain = before.stops[event.stopId]?.answers[event.questionId] !== undefined;
    const draftOf = `${event.questionId}${isAgain ? ' again' : ''}`;
    const spentMs = after.timeSpentMs - before.timeSpentMs;
    const last = repository.findDraft(attemptId, draftOf);
    const isJustBefore =
      last !== undefined &&
      last.seq === before.version &&
      last.seq > savedVersion &&
      last.sittingId === event.sittingId &&
      last.n === event.n - 1 &&
      last.at <= event.at &&
      event.at <= event.receivedAt &&
      before.intake.held.length === 0;
    const merged = isJustBefore
      ? { count: (last.merged?.count ?? 0) + 1, spentMs: (last.merged?.spentMs ?? 0) + spentMs }
      : { count: 0, spentMs };
    if (isJustBefore) return repository.replaceDraft(attemptId, last.seq, after.version, { ...event, merged });
    if (last) repository.emptyDraft(attemptId, last.seq);
    repository.append(attemptId, after.version, { ...event, merged }, draftOf);
  };

  const run = ({ key, toEvents }: Job, fresh: Map<string, KnownState>): Intake => {
    const { attemptId } = key;
    const context = contextOf(key);
    const known = fresh.get(attemptId) ?? states.read(attemptId);
    const before = known.state;
    let state = before;
    let isAdmitted = false;
    let byOthers = false;
    const outcomes: Outcome[] = [];
    for (const event of toEvents(before)) {
      const isKnownSitting = event.sittingId in state.intake.sittings;
      if (!isKnownSitting && repository.isLogged(attemptId, event.sittingId, event.n)) {
        outcomes.push({ kind: 'repeated' });
        continue;
      }
      const result = takeIn(context, state, event);
      outcomes.push(result.outcome);
      if (result.outcome.kind !== 'repeated' && result.outcome.kind !== 'tooEarly')
        log(attemptId, { state, savedVersion: known.savedVersion }, result.state, event, result.outcome);
      state = result.state;
      if (event.type === 'admitted') isAdmitted = true;
      if (eventTraits[event.type].by === 'teacher') byOthers = true;
    }
    // What was admitted counts from where it stands in the log.
    if (isAdmitted) state = states.replayed(attemptId);
    let { savedVersion } = known;
    if (state !== before) {
      const row = sheetRowOf(context.lesson, state);
      if (isAdmitted || state.handedInAt !== before.handedInAt || state.version - savedVersion >= eventsPerSave) {
        repository.saveState(attemptId, state, row);
        savedVersion = state.version;
      } else repository.saveRow(attemptId, row);
      for (const projection of projections)
        projection.keep(attemptId, context.lesson, isAdmitted ? null : before, state);
    }
    fresh.set(attemptId, { state, savedVersion });
    return { state, outcomes, byOthers, isRouteMoved: state.route?.legs !== before.route?.legs };
  };

  const flush = () => {
    const jobs = queue;
    queue = [];
    // It was done at once, on somebody's wish.
    if (jobs.length === 0) return;
    const fresh = new Map<string, KnownState>();
    let intakes: Intake[];
    try {
      intakes = inTransaction(db, () => jobs.map((job) => run(job, fresh)));
    } catch (error) {
      // Nothing was written. One bad job must not fail its neighbours, so each is tried alone.
      if (jobs.length > 1) for (const job of jobs) runAlone(job);
      else jobs[0]?.reject(error);
      return;
    }
    for (const [attemptId, entry] of fresh) states.remember(attemptId, entry);
    for (const [index, job] of jobs.entries()) finish(job, intakes[index] as Intake);
  };

  const runAlone = (job: Job) => {
    const fresh = new Map<string, KnownState>();
    try {
      const intake = inTransaction(db, () => run(job, fresh));
      for (const [attemptId, entry] of fresh) states.remember(attemptId, entry);
      finish(job, intake);
    } catch (error) {
      job.reject(error);
    }
  };

  const finish = (job: Job, intake: Intake) => {
    job.resolve(intake);
    const { assignmentId, attemptId, studentId } = job.key;
    const { byOthers } = intake;
    bus.publish('attemptChanged', { assignmentId, attemptId, studentId, byOthers });
  };

  return {
    readState: (attemptId: string): AttemptState => states.read(attemptId).state,
    readStates: states.readMany,

    /**
     * Takes in at once what was sent up to now: before an attempt becomes another's, or another edition's, so that nothing
     * is judged by what it is afterwards.
     */
    takeAllNow: flush,

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
