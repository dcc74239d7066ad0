// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { parseClock, TimeField } from './time-field.tsx';

test.each([
  ['65', 65_000],
  ['1:05', 65_000],
  [' 1:05.5 ', 65_500],
  ['1:05,25', 65_250],
  ['1:02:03', 3_723_000],
  ['0:00', 0],
  ['', null],
  ['one', null],
  ['1:', null],
  ['-5', null],
])('%j is %s ms', (text, expected) => expect(parseClock(text)).toBe(expected));

function open(isTaken = true) {
  const onChange = vi.fn(() => isTaken);
  const page = show(<TimeField label="In" valueMs={2_000} onChange={onChange} />);
  return { ...page, onChange, field: screen.getByRole<HTMLInputElement>('textbox', { name: 'In' }) };
}

test('a time is taken on Enter', async () => {
  const { user, field, onChange } = open();
  expect(field.value).toBe('0:02');
  await user.clear(field);
  await user.type(field, '0:10{Enter}');
  expect(onChange).toHaveBeenCalledWith(10_000);
});

test('what is no time is said, and stays to be mended', async () => {
  const { user, field, onChange } = open();
  await user.clear(field);
  await user.type(field, 'soon');
  await user.tab();
  expect(screen.getByRole('alert').textContent).toBe('Write a time such as 1:05.');
  expect([field.value, onChange.mock.calls.length]).toEqual(['soon', 0]);
});

test('a time that does not fit is said in other words', async () => {
  const { user, field } = open(false);
  await user.clear(field);
  await user.type(field, '9:00{Enter}');
  expect(screen.getByRole('alert').textContent).toBe('In must come before out, and both within the film.');
});
