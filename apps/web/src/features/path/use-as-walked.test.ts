import { applyChanges, type Lesson, type LessonChange, type Part } from '@semita/core/lesson';
import { expect, test } from 'vitest';
import { isWalkedAlike } from './use-as-walked.ts';

const empty: Lesson = { title: '', parts: [] };
const part = (id: string): Part => ({ id, kind: 'task', title: id, inMs: 0, outMs: 1, stops: [] });

function after(...changes: LessonChange[]) {
  const insert = ['one', 'two'].map((id, index): LessonChange => ({ type: 'insertPart', index, part: part(id) }));
  const begun = applyChanges(empty, insert);
  if (!begun.ok) throw new Error('The lesson was not made');
  const result = applyChanges(begun.lesson, changes);
  if (!result.ok) throw new Error('The change was refused');
  return { before: begun.lesson, after: result.lesson };
}

test('a card that was moved, and put back, changes nothing of what is walked', () => {
  const move: LessonChange = { type: 'setMapPlace', partId: 'two', mapAt: { x: 4, y: 5 } };
  const moved = after(move);
  expect(moved.after).not.toBe(moved.before);
  expect(isWalkedAlike(moved.before, moved.after)).toBe(true);
  const back = after(move, { ...move, mapAt: null });
  expect(isWalkedAlike(back.before, back.after)).toBe(true);
});

test.each<[string, LessonChange]>([
  ['a way', { type: 'setWay', partId: 'one', next: { kind: 'end' }, rules: [] }],
  ['the order', { type: 'setFreeFrom', freeFrom: 0 }],
  ['a part more', { type: 'insertPart', index: 1, part: part('three') }],
  ['whom a part is for', { type: 'setOnlyFor', partId: 'two', onlyFor: ['Support'] }],
])('%s is another walk', (_, change) => {
  const { before, after: later } = after(change);
  expect(isWalkedAlike(before, later)).toBe(false);
});
