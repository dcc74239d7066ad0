import { type AttemptState, reducerVersion } from '@semita/core/attempt';
import { replay, takeInAll } from '@semita/core/reducer';
import { sheetRowOf } from '@semita/core/sheet';
import type { WalkContext } from '@semita/core/walk';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import type { Projection } from '../../projections/projection.ts';
import type { AttemptKey, AttemptRepository } from './attempt-repository.ts';

/** A state, and how much of it is stored: the events since are taken in when it is read. */
export interface KnownState {
  readonly state: AttemptState;
  readonly savedVersion: number;
}

/** States kept in memory, so that a student who sends every few seconds is not read from disk every time. */
const maxCached = 2_000;

interface Options extends Pick<Deps, 'db'> {
  readonly repository: AttemptRepository;
  readonly contextOf: (attempt: AttemptKey) => WalkContext;
  readonly projections: readonly Projection[];
}

/** Reads the states of attempts: what is stored with the tail of the log, or the whole log where an older reducer made it. */
export function createAttemptStates({ db, repository, contextOf, projections }: Options) {
  const known = new Map<string, KnownState>();

  const remember = (attemptId: string, entry: KnownState): KnownState => {
    known.delete(attemptId);
    if (known.size >= maxCached) known.delete(known.keys().next().value as string);
    known.set(attemptId, entry);
    return entry;
  };

  const replayed = (attemptId: string): AttemptState => {
    const { begunAt, secret, drawnByTime, ...attempt } = repository.getStored(attemptId);
    return replay(contextOf(attempt), { begunAt, secret, drawnByTime }, repository.readLog(attemptId));
  };

  const computeAnew = (attemptId: string): KnownState => {
    const { lesson } = contextOf(repository.getStored(attemptId));
    const state = replayed(attemptId);
    inTransaction(db, () => {
      repository.saveState(attemptId, state, sheetRowOf(lesson, state));
      for (const projection of projections) projection.keep(attemptId, lesson, null, state);
    });
    return { state, savedVersion: state.version };
  };

  const load = (attemptId: string): KnownState => {
    const { reducer, state, ...attempt } = repository.getStored(attemptId);
    if (state === null || reducer !== reducerVersion) return computeAnew(attemptId);
    const tail = repository.readLog(attemptId, state.version);
    return { state: takeInAll(contextOf(attempt), state, tail), savedVersion: state.version };
  };

  const read = (attemptId: string): KnownState => known.get(attemptId) ?? remember(attemptId, load(attemptId));

  /** Several at once: those that are not in memory with one statement for what is stored, and one for what came since. */
  const readMany = (attemptIds: readonly string[]): ReadonlyMap<string, AttemptState> => {
    const found = new Map(attemptIds.flatMap((id) => (known.has(id) ? [[id, read(id).state]] : [])));
    const missing = attemptIds.filter((id) => !found.has(id));
    if (missing.length === 0) return found;
    const stored = repository
      .listStored(missing)
      .flatMap(({ state, ...attempt }) =>
        state !== null && attempt.reducer === reducerVersion ? [{ attempt, state }] : [],
      );
    const tails = repository.readTails(stored.map(({ attempt, state }) => [attempt.attemptId, state.version]));
    for (const { attempt, state } of stored) {
      const { attemptId } = attempt;
      const tail = tails.get(attemptId) ?? [];
      // Most have nothing to take in, and need no context.
      const whole = tail.length === 0 ? state : takeInAll(contextOf(attempt), state, tail);
      found.set(attemptId, whole);
      remember(attemptId, { state: whole, savedVersion: state.version });
    }
    // Those of an older reducer are computed anew, each by its log.
    for (const id of missing) if (!found.has(id)) found.set(id, read(id).state);
    return found;
  };

  return {
    read,
    readMany,
    remember,
    forget: (attemptId: string): void => {
      known.delete(attemptId);
    },
    /** By the log alone, without storing anything. */
    replayed,
    /** By the log alone, and stored. */
    computeAnew,
    /** As it is stored, whatever is kept in memory. */
    load,
  };
}

export type AttemptStates = ReturnType<typeof createAttemptStates>;
