// @vitest-environment jsdom
import type { Board, Tile } from '@semita/core/lesson';
import { fireEvent, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { NeedField } from './need-field.tsx';

const tile = (id: string): Tile => ({
  ...{ id, title: id, colour: 'plain', does: 'read', minutes: 5, worth: 1 },
  to: { kind: 'part', partId: id },
});
const board: Board = {
  ...{ id: 'board', kind: 'board', atMs: 0, prompt: 'Choose.', arrangement: 'grid', columns: 2 },
  ...{ tiles: ['a', 'b', 'c'].map(tile), need: { kind: 'any', count: 2 } },
};
const open = (now: Board = board) => {
  const onChange = vi.fn();
  return { ...show(<NeedField board={now} onChange={onChange} />), onChange };
};
const choose = (box: number) => screen.getAllByRole('combobox')[box] as HTMLSelectElement;

test('what is asked for is chosen, and begins with something that can be had', async () => {
  const { user, onChange } = open();
  for (const [kind, need] of [
    ['eachRow', { kind: 'eachRow' }],
    ['firstAnd', { kind: 'firstAnd', more: 1 }],
    ['worth', { kind: 'worth', worth: 3 }],
  ] as const) {
    await user.selectOptions(choose(0), kind);
    expect(onChange).toHaveBeenLastCalledWith({ ...board, need });
  }
});

test('a number that means nothing changes nothing', () => {
  const { onChange } = open();
  const count = screen.getByRole('spinbutton');
  for (const value of ['', '0', '1.5', '-2']) fireEvent.change(count, { target: { value } });
  expect(onChange).not.toHaveBeenCalled();
  fireEvent.change(count, { target: { value: '3' } });
  expect(onChange).toHaveBeenCalledWith({ ...board, need: { kind: 'any', count: 3 } });
});

test('where tiles stand freely there are no rows to ask for', async () => {
  const { user, onChange } = open({ ...board, need: { kind: 'eachRow' } });
  await user.selectOptions(choose(1), 'free');
  expect(onChange).toHaveBeenCalledWith({ ...board, arrangement: 'free', need: { kind: 'any', count: 1 } });
});

test('more than there are tiles is told at once', () => {
  open({ ...board, need: { kind: 'any', count: 4 } });
  expect(screen.getByRole('alert')).toBeTruthy();
});
