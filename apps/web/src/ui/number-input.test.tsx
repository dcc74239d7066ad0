// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, test, vi } from 'vitest';
import { show } from '../test/page.tsx';
import { NumberInput } from './number-input.tsx';

function open(first: number | null, required = false) {
  const told = vi.fn();
  function Held() {
    const [value, setValue] = useState(first);
    return (
      <NumberInput
        aria-label="Points"
        {...{ required, value }}
        min={0.01}
        max={100}
        step={0.01}
        onNumber={(next) => {
          told(next);
          setValue(next);
        }}
      />
    );
  }
  return { told, ...show(<Held />), field: () => screen.getByLabelText<HTMLInputElement>('Points') };
}

test('half of a number is none yet, and stays while it is typed', async () => {
  const { user, told, field } = open(20);
  await user.clear(field());
  await user.type(field(), '0.5');
  expect(field().value).toBe('0.5');
  expect(told).toHaveBeenLastCalledWith(0.5);
  await user.clear(field());
  expect(told).toHaveBeenLastCalledWith(null);
});

test('what cannot be taken gives way to what was, once the field is left', async () => {
  const { user, told, field } = open(20, true);
  await user.clear(field());
  await user.type(field(), '500');
  expect(told).not.toHaveBeenCalledWith(500);
  await user.clear(field());
  await user.tab();
  expect(told).not.toHaveBeenCalledWith(null);
  expect(field().value).not.toBe('');
});
