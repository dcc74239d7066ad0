import { type Checkpoint, createQuestion, type Pause, type Stop } from '@semita/core';
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
