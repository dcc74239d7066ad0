import {
  type Board,
  type Checkpoint,
  type Fork,
  type Pause,
  type Stop,
  type Tile,
  type UntimedPart,
  untimedWindow,
} from '@semita/core/lesson';
import { createQuestion } from '@semita/core/question';
import { v7 } from 'uuid';
import { t } from '../../words/words.ts';
import { newItemId } from './new-id.ts';
import './words.ts';

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

export function createTile(): Tile {
  return {
    id: newItemId(),
    title: '',
    colour: 'plain',
    does: 'other',
    minutes: 10,
    worth: 1,
    to: { kind: 'part', partId: '' },
  };
}

export function createBoard(): Board {
  return {
    ...{ id: v7(), kind: 'board', atMs: untimedWindow.inMs, prompt: '', arrangement: 'grid', columns: 3 },
    tiles: [createTile(), createTile(), createTile()],
    need: { kind: 'any', count: 1 },
  };
}

/** Practise, then a task that counts, then something extra for those who want it. */
export function createBundle(): readonly UntimedPart[] {
  const [practiceId, taskId, extraId] = [v7(), v7(), v7()];
  const task = (id: string, title: string, stops: readonly Stop[]): UntimedPart => ({
    ...{ id, kind: 'task', title, ...untimedWindow, stops },
  });
  const more: Fork = {
    ...{ id: v7(), kind: 'fork', atMs: untimedWindow.inMs, prompt: t('bundle.more') },
    choices: [
      { id: newItemId(), words: t('bundle.yes'), to: { kind: 'part', partId: extraId } },
      { id: newItemId(), words: t('bundle.no'), to: { kind: 'onward' } },
    ],
  };
  const at = { atMs: untimedWindow.inMs };
  return [
    { ...task(practiceId, t('bundle.practice'), [createCheckpoint(at)]), practice: true },
    task(taskId, t('bundle.task'), [createCheckpoint(at), more]),
    { ...task(extraId, t('bundle.extra'), [createCheckpoint(at)]), practice: true, next: { kind: 'back' } },
  ];
}

const makers = { checkpoint: createCheckpoint, pause: createPause, fork: createFork };

/** Stops that can stand between the lines of a script. */
export type ScriptStopKind = keyof typeof makers;

export const createStop = (kind: ScriptStopKind, place: StopPlace): Stop => makers[kind](place);
