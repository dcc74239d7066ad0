// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as SignInRoute } from './sign-in-route.tsx';

const me = {
  id: 'imani',
  roles: ['student' as const],
  displayName: 'Imani',
  schoolName: 'Quillhaven School',
  waitingFor: [],
  isNew: false,
};
const nobody = { me: null, demo: false, isEmpty: false, now: 0 };

const fill = async (user: ReturnType<typeof show>['user']) => {
  await user.type(await screen.findByLabelText('E-mail or user name'), 'imani');
  await user.type(screen.getByLabelText('Password'), 'over-the-bridge{Enter}');
};

test('name and password go to the server, and its words come back where they do not fit', async () => {
  standIn({
    readSession: () => nobody,
    signIn: ({ body }) => {
      expect(body).toEqual({ name: 'imani', password: 'over-the-bridge' });
      throw new Refusal('signInFailed');
    },
  });
  const { user } = show(<SignInRoute />);
  await fill(user);
  expect((await screen.findByRole('alert')).textContent).toMatch(/name|password/i);
  expect(screen.getByLabelText<HTMLInputElement>('E-mail or user name').value).toBe('imani');
});

test('where name and password fit at several schools, the school is asked for, and sent', async () => {
  const schools = ['Quillhaven School', 'Tidewater School'];
  const signedIn = vi.fn();
  standIn({
    readSession: () => nobody,
    signIn: ({ body }) => {
      if (!body.school) throw new Refusal('schoolNeeded', { schools });
      signedIn(body.school);
      return me;
    },
  });
  const { user } = show(<SignInRoute />);
  await fill(user);
  await user.selectOptions(await screen.findByLabelText('Your school'), 'Tidewater School');
  await user.click(screen.getByRole('button', { name: 'Sign in' }));
  await vi.waitFor(() => expect(signedIn).toHaveBeenCalledWith('Tidewater School'), { timeout: 20_000 });
});

test('nothing is sent while something is missing', async () => {
  const { asked } = standIn({ readSession: () => nobody });
  const { user } = show(<SignInRoute />);
  await user.click(await screen.findByRole('button', { name: 'Sign in' }));
  expect(await screen.findAllByRole('alert')).toHaveLength(2);
  expect(asked).toEqual(['GET /api/session']);
});
