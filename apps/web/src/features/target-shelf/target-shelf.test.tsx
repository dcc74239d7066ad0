// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { Component as TargetsRoute } from './targets-route.tsx';

/** The worker of the page, in its place. */
vi.mock('../classes/add-students/read-people-table.ts', () => ({
  readPeopleTable: async ({ bytes }: { bytes: ArrayBuffer }) => ({
    rows: new TextDecoder()
      .decode(bytes)
      .split('\n')
      .map((line) => line.split(';')),
    areOneName: false,
  }),
}));

const listed = (code: string, words: string, isOwn = true) => ({
  ...{ id: code, code, words, parentCode: code.includes('.') ? 'B' : null, isOwn },
});

async function choose(file: File) {
  const brought = vi.fn();
  standIn({
    listTargets: () => [],
    bringInTargets: ({ body }) => {
      brought(body.targets);
      return { added: body.targets.length, changed: 0 };
    },
  });
  const { user } = show(<TargetsRoute />);
  await user.upload(await screen.findByLabelText('Bring in a list'), file);
  return { user, brought };
}

test('a table is looked at before it is taken, and what is wrong with it is told by row', async () => {
  const { user, brought } = await choose(
    new File(['Code;Target\nB.1;Tells forces apart\n;Nameless\nb.1;Again'], 'year 8.csv', { type: 'text/csv' }),
  );
  const dialog = within(await screen.findByRole('dialog', { name: '1 target in “year 8.csv”' }));
  expect(dialog.getByText('Row 3: it has no code')).toBeTruthy();
  expect(dialog.getByText('Row 4: the code stands above already')).toBeTruthy();
  await user.click(dialog.getByRole('button', { name: 'Take 1 in' }));
  expect(brought).toHaveBeenCalledWith([{ code: 'B.1', words: 'Tells forces apart', parentCode: null }]);
});

test('a CASE package is taken for what it is', async () => {
  const whole = {
    CFDocument: { identifier: 'd', title: 'Year 8' },
    CFItems: [{ identifier: 'a', fullStatement: 'Forces', humanCodingScheme: 'B' }],
  };
  const { user, brought } = await choose(new File([JSON.stringify(whole)], 'case.json', { type: 'application/json' }));
  await user.click(await screen.findByRole('button', { name: 'Take 1 in' }));
  expect(brought).toHaveBeenCalledWith([{ code: 'B', words: 'Forces', parentCode: null }]);
});

test('a file without targets is told, and nothing is asked', async () => {
  await choose(new File(['just some words'], 'letter.txt', { type: 'text/plain' }));
  expect(await screen.findByText(/There are no targets in this file/)).toBeTruthy();
  expect(screen.queryByRole('dialog')).toBeNull();
});

test('what one brought can be taken out; what another brought cannot', async () => {
  const removed = vi.fn();
  standIn({
    listTargets: () => [listed('B', 'Forces', false), listed('B.1', 'Tells forces apart')],
    removeTarget: ({ params }) => {
      removed(params.targetId);
      return undefined;
    },
  });
  const { user } = show(<TargetsRoute />);
  await user.click(await screen.findByRole('button', { name: 'Take out “B.1”' }));
  expect(removed).toHaveBeenCalledWith('B.1');
  expect(screen.queryByRole('button', { name: 'Take out “B”' })).toBeNull();
});
