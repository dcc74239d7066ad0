import { type Checkpoint, createQuestion, type Fork, type Pause, type Stop } from '@semita/core';
import { v7 } from 'uuid';
import { newItemId } from '../question-editor/new-id.ts';

/** Where a stop stands. */
export type StopPlace = Pick<Stop, 'atMs' | 'anchor'>;

/** What a new stop begins as. */
export function createCheckpoint(place: StopPlace): Checkpoint {
  return { id: v7(), kind: 'checkpoint', ...place, required: true, questions: [createQuestion('choice', newItemId)] };
}

export function createPause(place: StopPlace): Pause {
  return { id: v7(), kind: 'pause', ...place, note: '' };
}

export function createFork(place: StopPlace): Fork {
  const choices = [1, 2].map(() => ({ id: newItemId(), words: '', to: { kind: 'onward' as const } }));
  return { id: v7(), kind: 'fork', ...place, prompt: '', choices };
}

const makers = { checkpoint: createCheckpoint, pause: createPause, fork: createFork };

export const createStop = (kind: Stop['kind'], place: StopPlace): Stop => makers[kind](place);
