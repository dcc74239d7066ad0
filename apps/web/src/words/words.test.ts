import { stopMarkStates } from '@semita/core';
import { statusOfError } from '@semita/core/contract';
import { expect, test } from 'vitest';
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

test('the catalogues do not say the same key twice', () => {
  const keysOf = (words: object) =>
    Object.entries(words).flatMap(([group, entries]) => Object.keys(entries as object).map((key) => `${group}.${key}`));
  const all = [enShared, enStudent, enTeacher].flatMap(keysOf);
  expect(all.filter((key, index) => all.indexOf(key) !== index)).toEqual([]);
});

test('words are plain: no exclamation marks, and what counts has its singular', () => {
  const all = [enShared, enStudent, enTeacher].flatMap((words) =>
    Object.values(words).flatMap((group) => Object.entries(group as Record<string, string>)),
  );
  expect(all.filter(([, text]) => text.includes('!'))).toEqual([]);
  const keys = new Set(all.map(([key]) => key));
  expect([...keys].filter((key) => key.endsWith('_other') && !keys.has(key.replace('_other', '_one')))).toEqual([]);
});
