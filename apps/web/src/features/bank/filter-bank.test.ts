import type { BankItem } from '@semita/core/contract';
import { createQuestion } from '@semita/core/question';
import { expect, test } from 'vitest';
import { filterBank, noFilter, readTags, tagsOf, targetsOf } from './filter-bank.ts';

const item = (id: string, stem: string, tags: string[], share: number | null, target?: string): BankItem => ({
  id,
  question: { ...createQuestion('choice', () => 'x'), stem, ...(target ? { target } : {}) },
  tags,
  updatedAt: 0,
  seen: { count: share === null ? 2 : 20, share },
});
const bank = [
  item('arch', 'What pushes at the *feet* of an arch?', ['arches'], 0.9, 'Names forces'),
  item('cable', 'Which force is in a cable?', ['forces', 'suspension'], 0.3, 'Names forces'),
  item('new', 'Draw the deck.', ['suspension'], null),
];
const idsOf = (filter: Partial<typeof noFilter>) => filterBank(bank, { ...noFilter, ...filter }).map(({ id }) => id);

test('looks through words, tags and targets', () => {
  expect(idsOf({})).toEqual(['arch', 'cable', 'new']);
  expect(idsOf({ text: 'FEET of' })).toEqual(['arch']);
  expect(idsOf({ text: 'suspension' })).toEqual(['cable', 'new']);
  expect(idsOf({ tag: 'suspension', target: 'Names forces' })).toEqual(['cable']);
  expect([tagsOf(bank), targetsOf(bank)]).toEqual([['arches', 'forces', 'suspension'], ['Names forces']]);
});

test('puts what nobody knows the difficulty of last', () => {
  expect(idsOf({ order: 'hardest' })).toEqual(['cable', 'arch', 'new']);
  expect(idsOf({ order: 'easiest' })).toEqual(['arch', 'cable', 'new']);
});

test('reads tags from a line', () => {
  expect(readTags(' forces, , arches,forces ')).toEqual(['forces', 'arches']);
});
