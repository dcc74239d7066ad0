import { expect, test } from 'vitest';
import { materialsOf } from '../lesson/materials-of.ts';
import { boardPart, check, clip, fork, lesson, tile } from '../test/path-lessons.ts';
import { swapMaterial } from './swap-material.ts';

const picture = { materialId: 'old', alt: 'A beam' };
const asked = check('c');
const ways = fork('f', [{ kind: 'onward' }, { kind: 'end' }]);
const shown = lesson(
  clip('text', [{ ...asked, questions: asked.questions.map((question) => ({ ...question, picture })) }], {
    insets: [{ id: 'i', atMs: 0, anchor: { blockId: null, number: 0 }, materialId: 'old', title: 'Beam' }],
    directions: { materialId: 'old', words: '' },
  }),
  clip('way', [{ ...ways, choices: ways.choices.map((choice) => ({ ...choice, picture })) }]),
  boardPart('board', [tile('t', null, { picture })], { kind: 'any', count: 1 }),
);

test('a newer version stands wherever the older one stood, and nothing else changes', () => {
  expect(materialsOf(shown)).toEqual(['film', 'old']);
  const swapped = swapMaterial(shown, 'old', 'new');
  expect(materialsOf(swapped)).toEqual(['film', 'new']);
  expect(JSON.parse(JSON.stringify(swapped).replaceAll('"new"', '"old"'))).toEqual(shown);
  expect(swapMaterial(shown, 'other', 'new')).toBe(shown);
});
