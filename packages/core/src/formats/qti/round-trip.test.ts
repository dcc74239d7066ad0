import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { everyKind } from '../../examples/every-kind.ts';
import type { Question } from '../../question/question.ts';
import { plainProse } from '../../test/qti/plain-prose.ts';
import { fromQtiItem, toQtiItem } from './index.ts';

const sizeOf = () => ({ width: 640, height: 480 });
const write = (question: Question) => toQtiItem(question, 'item', { prose: plainProse, sizeOf });
const read = (item: Parameters<typeof fromQtiItem>[0], id = 'new') =>
  fromQtiItem(item, { newId: () => id, prose: plainProse, sizeOf });

const kinds = Object.values(everyKind) as Question[];

describe.each(kinds.map((question) => [question.kind, question] as const))('%s', (_, question) => {
  test('comes back as it was', () => {
    const { item } = write(question);
    const { questions, leftOut } = read(item, question.id);
    expect(leftOut).toEqual([]);
    expect(questions).toEqual([question]);
  });

  test('keeps its kind, its words and its key where another program has dropped what is ours', () => {
    const { item } = write(question);
    const stripped = JSON.parse(JSON.stringify(item).replace(/"data-semita":"(?:[^"\\]|\\.)*"/, '"x":""'));
    const [plain] = read(stripped, question.id).questions;
    const same = { discussion: 'extendedText' } as Partial<Record<Question['kind'], Question['kind']>>;
    expect(plain?.kind).toBe(same[question.kind] ?? question.kind);
    expect(plain?.stem).toBe(question.stem);
    expect(plain?.points).toBe(question.points);
  });
});

test('what the standard has no place for is told, and what it has is not', () => {
  expect(write(everyKind.choice).lost.toSorted()).toEqual(['hint', 'target']);
  expect(write(everyKind.numeric).lost).toContain('unit');
  const { hint: _, target: _also, ...bare } = everyKind.choice;
  expect(write(bare).lost).toEqual([]);
});

test('words of any kind come back as they were', () => {
  const words = fc.string({ unit: 'grapheme', maxLength: 60 });
  fc.assert(
    fc.property(words, words, words, (stem, text, teacherNote) => {
      const options = everyKind.choice.options.map((option) => ({ ...option, text, feedback: text }));
      const question = { ...everyKind.choice, stem, teacherNote, options };
      expect(read(write(question).item, question.id).questions).toEqual([question]);
    }),
  );
});

test('ids that could say what is right are not taken from another program', () => {
  const { item } = write(everyKind.choice);
  const foreign = { ...item, attributes: { ...item.attributes, 'tool-name': 'Another' } };
  let n = 0;
  const { questions } = fromQtiItem(foreign, { newId: () => `new-${n++}`, prose: plainProse, sizeOf });
  const [question] = questions;
  expect(question?.kind === 'choice' && question.options.every(({ id }) => id.startsWith('new-'))).toBe(true);
});
