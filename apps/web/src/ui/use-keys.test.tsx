// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { KeyHelp } from './key-help.tsx';
import { useHistoryKeys, useKeys } from './use-keys.ts';

const press = { shuttle: vi.fn(), next: vi.fn(), undo: vi.fn(), redo: vi.fn() };

function Page() {
  useKeys('j, k', ({ key }) => press.shuttle(key));
  useKeys('shift+n', press.next);
  useHistoryKeys(press);
  return (
    <>
      <textarea aria-label="Note" />
      <input type="checkbox" aria-label="Required" />
      <button type="button" onKeyDown={(event) => event.key === 'j' && event.preventDefault()}>
        Own keys
      </button>
      <KeyHelp groups={[]} />
    </>
  );
}

beforeEach(() => {
  for (const one of Object.values(press)) one.mockReset();
  render(<Page />);
});
afterEach(cleanup);

test('letters are keys of the page wherever nothing is being written', async () => {
  await userEvent.keyboard('jkx');
  expect(press.shuttle.mock.calls).toEqual([['j'], ['k']]);
  await userEvent.click(screen.getByLabelText('Required'));
  await userEvent.keyboard('k{Shift>}N{/Shift}n');
  expect(press.shuttle).toHaveBeenCalledTimes(3);
  expect(press.next).toHaveBeenCalledTimes(1);
});

test('in a field they are letters; the steps of the work go on', async () => {
  await userEvent.type(screen.getByLabelText('Note'), 'jk?');
  expect(screen.getByLabelText<HTMLTextAreaElement>('Note').value).toBe('jk?');
  expect(press.shuttle).not.toHaveBeenCalled();
  await userEvent.keyboard('{Control>}z{Shift>}z{/Shift}y{/Control}');
  expect([press.undo.mock.calls.length, press.redo.mock.calls.length]).toEqual([1, 2]);
});

test('what has its own meaning for a key keeps it', async () => {
  screen.getByRole('button', { name: 'Own keys' }).focus();
  await userEvent.keyboard('jk');
  expect(press.shuttle.mock.calls).toEqual([['k']]);
});

test('? shows the keys', async () => {
  await userEvent.keyboard('{Shift>}?{/Shift}');
  expect(await screen.findByRole('dialog')).toBeTruthy();
});
