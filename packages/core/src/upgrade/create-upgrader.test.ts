import { expect, test } from 'vitest';
import { createUpgrader, NewerShape } from './create-upgrader.ts';

interface Documents {
  readonly note: { readonly words: string; readonly bold: boolean };
  readonly list: readonly number[];
}

/** Notes were once called text, and were then not yet bold; lists were once strings. */
const upgrader = createUpgrader<Documents>({
  note: [({ text, ...rest }) => ({ ...rest, words: text }), (note) => ({ ...note, bold: false })],
  list: [(list: readonly string[]) => list.map(Number)],
});

test('a document says its shape, and is read as it was', () => {
  const note = { words: 'Look up.', bold: true };
  expect(upgrader.toStored('note', note)).toEqual({ shape: 3, ...note });
  expect(upgrader.fromStored('note', upgrader.toStored('note', note))).toEqual(note);
  expect(upgrader.toStored('list', [1, 2])).toEqual({ shape: 2, list: [1, 2] });
  expect(upgrader.fromStored('list', upgrader.toStored('list', [1, 2]))).toEqual([1, 2]);
  expect(upgrader.fromStored('list', upgrader.toStored('list', []))).toEqual([]);
});

test.each([
  [{ text: 'Look up.' }],
  [{ shape: 1, text: 'Look up.' }],
  [{ shape: 2, words: 'Look up.' }],
  [{ shape: 3, words: 'Look up.', bold: false }],
])('every older shape comes to the same: %j', (stored) => {
  expect(upgrader.fromStored('note', Object.freeze(stored))).toEqual({ words: 'Look up.', bold: false });
});

test('a list without a number is of the first shape', () => {
  expect(upgrader.fromStored('list', ['1', '2'])).toEqual([1, 2]);
});

test('what a newer program stored is not read as something else', () => {
  expect(() => upgrader.fromStored('note', { shape: 4, lines: [] })).toThrow(NewerShape);
});

test('the generation grows with every step', () => {
  expect(upgrader.generation).toBe(4);
  expect(createUpgrader<Pick<Documents, 'list'>>({ list: [] }).generation).toBe(1);
});
