import type { Checkpoint, ChoiceOption, Pause, Question } from '@semita/core';
import { v7 } from 'uuid';

/** What a new stop, question or answer begins as. */
export function createCheckpoint(atMs: number): Checkpoint {
  return { id: v7(), kind: 'checkpoint', atMs, required: true, questions: [createQuestion('choiceOne')] };
}

export function createPause(atMs: number): Pause {
  return { id: v7(), kind: 'pause', atMs, note: '' };
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
