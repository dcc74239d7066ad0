import { statusOfError } from '@semita/core/contract';
import { stopMarkStates } from '@semita/core/sheet';
import { expect, test } from 'vitest';
import { enShared } from './en-shared.ts';
import './staff-words.ts';
import { findWords } from './words.ts';

const rooms = import.meta.glob<Record<string, object>>(['../features/**/*words.ts', '../saving/words.ts'], {
  eager: true,
});
const sources = import.meta.glob<string>(['../**/*.{ts,tsx}', '!../**/*.test.*', '!../**/*words.ts', '!../test/**'], {
  eager: true,
  query: '?raw',
  import: 'default',
});
/** The catalogues by the file they stand in. */
const catalogueOf = new Map(
  Object.entries(rooms).flatMap(([file, exported]) =>
    Object.entries(exported).flatMap(([name, words]) =>
      name.endsWith('Words') && typeof words === 'object' ? [[file, words] as const] : [],
    ),
  ),
);
const catalogues: readonly object[] = [enShared, ...catalogueOf.values()];

test('every error that the server can answer with has words', () => {
  for (const code of [...Object.keys(statusOfError), 'offline']) expect(findWords(`error.${code}`), code).toBeTruthy();
});

test('every state of a stop has a word', () => {
  for (const state of stopMarkStates) expect(findWords(`state.${state}`), state).toBeTruthy();
});

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

test('what says words loads them', () => {
  const baseOf = (key: string) => key.replace(/_(?:zero|one|other)$/, '');
  const shared = new Set(entriesOf(enShared).map(([key]) => baseOf(key)));
  const homeOf = new Map(
    [...catalogueOf].flatMap(([file, words]) => entriesOf(words).map(([key]) => [baseOf(key), file] as const)),
  );
  const fileAt = (from: string, to: string) => new URL(to, `file:///words/${from}`).pathname;
  const missing = Object.entries(sources).flatMap(([file, code]) => {
    const loaded = new Set(
      [...code.matchAll(/^import (?:[^;']* from )?'([^']*words\.ts)';$/gm)].map(([, to = '']) => fileAt(file, to)),
    );
    const said = [...code.matchAll(/'([a-z]\w*(?:\.\w+)+)'/gi)].map(([, key = '']) => key);
    const begun = [...code.matchAll(/`([a-z]\w*\.(?:\w+\.)*)\$\{/gi)].map(([, start = '']) => start);
    const known = [
      ...shared,
      ...[...homeOf].flatMap(([key, home]) => (loaded.has(fileAt('words.ts', home)) ? [key] : [])),
    ];
    const unheard = begun.filter(
      (start) => [...homeOf.keys()].some((key) => key.startsWith(start)) && !known.some((key) => key.startsWith(start)),
    );
    if (unheard.length > 0) return [`${file}: ${unheard.join()}…`];
    return said.flatMap((key) => {
      const home = shared.has(key) ? undefined : homeOf.get(key);
      return home && !loaded.has(fileAt('words.ts', home)) ? [`${file}: ${key} of ${home}`] : [];
    });
  });
  expect(missing).toEqual([]);
  expect(homeOf.size).toBeGreaterThan(500);
});
