// @vitest-environment jsdom
import type { SchoolLog } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as LogRoute } from './log-route.tsx';
import { Component as PeopleRoute } from './people-route.tsx';

const elin = {
  ...{ id: 'elin', displayName: 'Elin Vass', signInName: 'elin.vass', classNames: ['8 Amber'] },
  ...{ isOff: false, lastSeenAt: null },
};

async function openMenu(user: ReturnType<typeof show>['user'], item: string) {
  await user.click(await screen.findByRole('button', { name: 'More for Elin Vass' }));
  await user.click(await screen.findByRole('menuitem', { name: item }));
}

test('somebody is found as their name is typed, changed, switched off, and given a password', async () => {
  const asked = vi.fn();
  const changed = vi.fn();
  standIn({
    searchPeople: ({ body }) => {
      asked(body.words, body.isStaff);
      return { people: 'elin'.includes(body.words.toLowerCase()) ? [elin] : [], count: 1 };
    },
    changePerson: ({ body }) => {
      changed(body);
      return undefined;
    },
    givePersonPassword: () => ({
      studentId: 'elin',
      displayName: 'Elin Vass',
      userName: 'elin.vass',
      password: 'raft-moss',
    }),
  });
  const { user } = show(<PeopleRoute />);
  await screen.findByText('elin.vass');
  await user.type(screen.getByLabelText('Find somebody'), 'zz');
  expect(await screen.findByText('Nobody of that name')).toBeTruthy();
  await user.clear(screen.getByLabelText('Find somebody'));
  await openMenu(user, 'Change name …');
  const dialog = within(screen.getByRole('dialog'));
  await user.clear(dialog.getByLabelText('Name'));
  await user.type(dialog.getByLabelText('Name'), 'Elin Vass-Okoro');
  await user.click(dialog.getByRole('button', { name: 'Save' }));
  await vi.waitFor(() => expect(changed).toHaveBeenCalledWith({ displayName: 'Elin Vass-Okoro' }));
  await openMenu(user, 'Switch the account off');
  await vi.waitFor(() => expect(changed).toHaveBeenCalledWith({ isOff: true }));
  await openMenu(user, 'New password');
  expect(await screen.findByText('raft-moss')).toBeTruthy();
  await user.keyboard('{Escape}');
  await user.selectOptions(screen.getByLabelText('Among'), 'Teachers and admins');
  await vi.waitFor(() => expect(asked).toHaveBeenLastCalledWith('', true));
});

test('nobody is erased but by their name', async () => {
  const erased = vi.fn();
  standIn({
    searchPeople: () => ({ people: [elin], count: 1 }),
    eraseStudent: ({ body }) => {
      if (body.name !== 'Elin Vass') throw new Refusal('nameNotSame');
      erased();
      return undefined;
    },
  });
  const { user } = show(<PeopleRoute />);
  await openMenu(user, 'Erase …');
  const verb = screen.getByRole('button', { name: 'Erase for good' });
  expect((verb as HTMLButtonElement).disabled).toBe(true);
  const field = screen.getByLabelText(/^Type “Elin Vass”/);
  await user.type(field, 'Elin');
  await user.click(verb);
  expect(await screen.findByText('That is not the name.')).toBeTruthy();
  await user.clear(field);
  await user.type(field, 'Elin Vass');
  await user.click(verb);
  await vi.waitFor(() => expect(erased).toHaveBeenCalled());
});

test('the log says what happened in words, shows a kind alone, and goes on', async () => {
  const event = (id: string, more: Partial<SchoolLog['events'][number]> = {}): SchoolLog['events'][number] => ({
    ...{ id, at: Date.UTC(2026, 10, 30, 9), kind: 'signedIn', detail: 'card', about: null, by: null },
    ...more,
  });
  standIn({
    readLog: ({ body }) =>
      body.before
        ? { events: [event('last', { kind: 'rolesChanged', detail: 'admin' })], hasMore: false }
        : body.kinds?.includes('marked')
          ? {
              events: [event('m', { kind: 'marked', detail: '0191-id', by: { id: 'a', displayName: 'Ms. L' } })],
              hasMore: false,
            }
          : { events: [event('first', { about: { id: 'e', displayName: 'Elin Vass' } })], hasMore: true },
  });
  const { user } = show(<LogRoute />);
  const row = (words: RegExp) => screen.findByRole('row', { name: words });
  await row(/Signed in ?\(by card\) Elin Vass/);
  await user.click(screen.getByRole('button', { name: 'Show earlier' }));
  await row(/Their role was changed ?\(admin now\)/);
  expect(screen.queryByRole('button', { name: 'Show earlier' })).toBe(null);
  await user.selectOptions(screen.getByLabelText('Show'), 'Marks');
  // An id says nothing to people.
  const marked = await row(/Work was marked Ms. L/);
  expect(marked.textContent).not.toContain('0191');
});
