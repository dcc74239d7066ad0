// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../test/page.tsx';
import { KeyHelp } from './key-help.tsx';

const groups = [{ title: 'Script', keys: [['C', 'Put in a checkpoint']] as const }];

test('the question mark lists the keys; in a field it is a question mark', async () => {
  const { user } = show(
    <>
      <KeyHelp groups={groups} />
      <textarea aria-label="Note" />
      <input type="range" aria-label="Place" />
    </>,
  );
  await user.type(screen.getByLabelText('Note'), 'Why?');
  expect(screen.queryByRole('dialog')).toBeNull();
  screen.getByLabelText('Place').focus();
  await user.keyboard('?');
  expect((await screen.findByRole('dialog', { name: 'Keys' })).textContent).toContain('Put in a checkpoint');
  await user.keyboard('{Escape}');
  expect(screen.queryByRole('dialog')).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Keys' }));
  expect(screen.getByRole('dialog')).toBeTruthy();
});
