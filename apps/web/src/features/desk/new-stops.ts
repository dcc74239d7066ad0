import type { Checkpoint, ChoiceOption, Pause, Question, Stop } from '@semita/core';
import { v7 } from 'uuid';

/** Where a stop stands. */
export type StopPlace = Pick<Stop, 'atMs' | 'anchor'>;

/** What a new stop, question or answer begins as. */
export function createCheckpoint(place: StopPlace): Checkpoint {
  return { id: v7(), kind: 'checkpoint', ...place, required: true, questions: [createQuestion('choiceOne')] };
}

export function createPause(place: StopPlace): Pause {
  return { id: v7(), kind: 'pause', ...place, note: '' };
}

export type QuestionForm = 'choiceOne' | 'choiceSeveral' | 'written';

export function createQuestion(form: QuestionForm): Question {
  const base = { id: v7(), stem: '', teacherNote: '' };
  if (form === 'written') return { ...base, kind: 'extendedText', points: 200, modelAnswer: '' };
  return {
    ...base,
    kind: 'choice',
    points: 100,
    several: form === 'choiceSeveral',
    options: [createOption(), createOption(), createOption()],
  };
}

export function createOption(): ChoiceOption {
  return { id: v7(), text: '', right: false, feedback: '' };
}
