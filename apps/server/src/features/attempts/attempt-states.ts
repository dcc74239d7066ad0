import {
  type AttemptState,
  encodeSheetRow,
  reducerVersion,
  replay,
  sheetRowOf,
  takeInAll,
  type WalkContext,
} from '@semita/core';
import type { AttemptRepository } from './attempt-repository.ts';

/** A state, and how much of it is stored: the events since are taken in when it is read. */
export interface KnownState {
  readonly state: AttemptState;
  readonly savedVersion: number;
}

/** States kept in memory, so that a student who sends every few seconds is not read from disk every time. */
const mostCached = 2_000;

interface Options {
  readonly repository: AttemptRepository;
  readonly contextOf: (assignmentId: string) => WalkContext;
}

/** Reads the states of attempts: what is stored with the tail of the log, or the whole log where an older reducer made it. */
export function createAttemptStates({ repository, contextOf }: Options) {
  const known = new Map<string, KnownState>();

  const remember = (attemptId: string, entry: KnownState): KnownState => {
    known.delete(attemptId);
    if (known.size >= mostCached) known.delete(known.keys().next().value as string);
    known.set(attemptId, entry);
    return entry;
  };

  const replayed = (attemptId: string): AttemptState => {
    const { assignmentId, begunAt, secret, drawnByTime } = repository.getStored(attemptId);
    return replay(contextOf(assignmentId), { begunAt, secret, drawnByTime }, repository.readLog(attemptId));
  };

  const computeAnew = (attemptId: string): KnownState => {
    const { assignmentId } = repository.getStored(attemptId);
    const state = replayed(attemptId);
    repository.saveState(attemptId, state, encodeSheetRow(sheetRowOf(contextOf(assignmentId).lesson, state)));
    return { state, savedVersion: state.version };
  };

  const load = (attemptId: string): KnownState => {
    const { assignmentId, reducer, state } = repository.getStored(attemptId);
    if (state === null || reducer !== reducerVersion) return computeAnew(attemptId);
    const tail = repository.readLog(attemptId, state.version);
    return { state: takeInAll(contextOf(assignmentId), state, tail), savedVersion: state.version };
  };

  return {
    read: (attemptId: string): KnownState => known.get(attemptId) ?? remember(attemptId, load(attemptId)),
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
