// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { expect, test } from 'vitest';
import { show } from '../test/page.tsx';
import { Dialog, DialogClose } from './dialog.tsx';

const asks = 'Throw away what you have written here?';

function Page({ keepsAtOnce = false }) {
  const [open, setOpen] = useState(true);
  return (
    <Dialog open={open} onOpenChange={setOpen} title="Comment" keepsAtOnce={keepsAtOnce}>
      <textarea aria-label="Words" defaultValue="as it was" />
      <input aria-label="Find" type="search" />
      <DialogClose>Close it</DialogClose>
    </Dialog>
  );
}
const isOpen = () => screen.queryByRole('dialog') !== null;

test('nothing was typed: it closes', async () => {
  const { user } = show(<Page />);
  await user.click(screen.getByLabelText('Words'));
  await user.keyboard('{Escape}');
  expect(isOpen()).toBe(false);
});

test.each(['{Escape}', 'its button'])('something was typed: %s asks, keeps it, and only then lets go', async (way) => {
  const { user } = show(<Page />);
  await user.type(screen.getByLabelText('Words'), ', and more');
  const close = () =>
    way === 'its button' ? user.click(screen.getByRole('button', { name: 'Close it' })) : user.keyboard(way);
  await close();
  expect(screen.getByText(asks)).toBeDefined();
  await user.click(screen.getByRole('button', { name: 'Go on writing' }));
  expect(screen.getByLabelText<HTMLTextAreaElement>('Words').value).toBe('as it was, and more');
  await close();
  await user.click(screen.getByRole('button', { name: 'Throw it away' }));
  expect(isOpen()).toBe(false);
});

test('what was typed and taken out again is nobody’s work, and neither is what was searched for', async () => {
  const { user } = show(<Page />);
  await user.type(screen.getByLabelText('Words'), 'x{Backspace}');
  await user.type(screen.getByLabelText('Find'), 'arch');
  await user.keyboard('{Escape}');
  expect(isOpen()).toBe(false);
});

test('where everything is kept as it is typed, nobody is asked', async () => {
  const { user } = show(<Page keepsAtOnce />);
  await user.type(screen.getByLabelText('Words'), ' more');
  await user.keyboard('{Escape}');
  expect(isOpen()).toBe(false);
});

test('it opens on its first field, and the focus goes back to what opened it', async () => {
  function Opener() {
    const [open, setOpen] = useState(false);
    return (
      <>
        <button type="button" onClick={() => setOpen(true)}>
          Open it
        </button>
        <Dialog open={open} onOpenChange={setOpen} title="Comment">
          <button type="button">First button</button>
          <textarea aria-label="Words" />
        </Dialog>
      </>
    );
  }
  const { user } = show(<Opener />);
  await user.click(screen.getByRole('button', { name: 'Open it' }));
  expect(document.activeElement).toBe(screen.getByLabelText('Words'));
  await user.keyboard('{Escape}');
  await waitFor(() => expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Open it' })));
});

test('without a field it opens on its first button', () => {
  show(
    <Dialog open onOpenChange={() => undefined} title="Keys">
      <p>Words</p>
      <button type="button">First button</button>
    </Dialog>,
  );
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'First button' }));
});
