import { statusOfError } from '@semita/core/contract';
import { stopMarkStates } from '@semita/core/sheet';
import { expect, test } from 'vitest';
import { enEditor } from './en-editor.ts';
import { enRecorder } from './en-recorder.ts';
import { enShared } from './en-shared.ts';
import { enStudent } from './en-student.ts';
import { enTeacher } from './en-teacher.ts';
import { findWords } from './words.ts';

test('every error that the server can answer with has words', () => {
  for (const code of [...Object.keys(statusOfError), 'offline']) expect(findWords(`error.${code}`), code).toBeTruthy();
});

test('every state of a stop has a word', () => {
  for (const state of stopMarkStates) expect(findWords(`state.${state}`), state).toBeTruthy();
});

const catalogues: readonly object[] = [enShared, enStudent, enTeacher, enRecorder, enEditor];

/** Every key, however deep, with its words. */
function entriesOf(words: object, path: readonly string[] = []): [string, string][] {
  return Object.entries(words).flatMap(([key, value]: [string, unknown]) =>
    typeof value === 'string' ? [[[...path, key].join('.'), value]] : entriesOf(value as object, [...path, key]),
  );
}

test('the catalogues do not say the same key twice', () => {
  const all = catalogues.flatMap((words) => entriesOf(words).map(([key]) => key));
  expect(all.filter((key, index) => all.indexOf(key) !== index)).toEqual([]);
});

test('words are plain: no exclamation marks, and what counts has its singular', () => {
  const all = catalogues.flatMap((words) => entriesOf(words));
  expect(all.filter(([, text]) => text.includes('!'))).toEqual([]);
  const keys = new Set(all.map(([key]) => key));
  expect([...keys].filter((key) => key.endsWith('_other') && !keys.has(key.replace('_other', '_one')))).toEqual([]);
});
