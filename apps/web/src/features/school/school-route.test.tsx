// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { type Answers, Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as SchoolRoute } from './school-route.tsx';

vi.mock('./one-roster/read-package.ts', () => ({
  readPackage: async (bytes: ArrayBuffer) =>
    bytes.byteLength < 3
      ? null
      : {
          people: [{ externalId: 'u', displayName: 'Ada Lund', userName: 'ada', email: '', isTeacher: false }],
          classes: [{ externalId: 'c', name: '9 Birch', studentIds: ['u'], teacherIds: [] }],
          faults: [{ file: 'users.csv', row: 7, fault: 'nameMissing' }],
        },
}));

const invitation = {
  ...{ id: 'i', displayName: 'Mr. Rask', email: 'rask@quillhaven.example', isAdmin: false },
  expiresAt: Date.UTC(2026, 11, 8),
};
const school = (more = {}) => ({
  ...{ name: 'Quillhaven School', timeZone: 'Europe/Stockholm', locale: 'en', teacherCode: null },
  ...{
    keptMonths: null,
    quietFrom: '20:00',
    quietUntil: '07:00',
    space: { materials: 3_000_000, answers: 40_000 },
    studentCount: 51,
  },
  staff: [
    {
      ...{ id: 'runa', displayName: 'Ms. Achterlund', email: 'runa@quillhaven.example', classCount: 0 },
      roles: ['admin' as const],
    },
    {
      ...{ id: 'idris', displayName: 'Mr. Vallmark', email: 'idris@quillhaven.example', classCount: 2 },
      roles: ['teacher' as const],
    },
  ],
  invitations: [],
  classes: [
    {
      ...{ id: 'amber', name: '8 Amber', shape: 'arch' as const, colour: 'marigold' as const },
      ...{ teacherNames: ['Mr. Vallmark'], studentCount: 26, isArchived: false, removedAt: null },
    },
  ],
  ...more,
});

function open(answers: Answers = {}, more = {}) {
  return {
    ...standIn({ readSchool: () => school(more), readSchoolDays: () => [], ...answers }),
    ...show(<SchoolRoute />),
  };
}

test('a teacher is invited, and the link is shown this once', async () => {
  const { user } = open({
    invite: ({ body }) => ({ invitation: { ...invitation, ...body }, token: 'secret-of-the-link' }),
  });
  await user.click(await screen.findByRole('button', { name: 'Invite a teacher' }));
  const dialog = within(screen.getByRole('dialog'));
  await user.click(dialog.getByRole('button', { name: 'Make the link' }));
  expect(await dialog.findAllByRole('alert')).toHaveLength(2);
  await user.type(dialog.getByLabelText('Name'), 'Mr. Rask');
  await user.type(dialog.getByLabelText('E-mail'), 'rask@quillhaven.example');
  await user.click(dialog.getByRole('button', { name: 'Make the link' }));
  const link = await screen.findByRole<HTMLInputElement>('textbox', { name: 'The link for Mr. Rask' });
  expect(link.value).toMatch(/\/invitation#secret-of-the-link$/);
});

test('an invitation is taken back', async () => {
  const revoked = vi.fn();
  const answers: Answers = {
    revokeInvitation: ({ params }) => {
      revoked(params.invitationId);
      return undefined;
    },
  };
  const { user } = open(answers, { invitations: [invitation] });
  expect(await screen.findByText('The link works until 8 Dec 2026')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Take back the invitation of Mr. Rask' }));
  await vi.waitFor(() => expect(revoked).toHaveBeenCalledWith('i'), { timeout: 20_000 });
});

test('somebody is made an admin, and a refusal leaves the page as it is', async () => {
  const changed = vi.fn();
  const { user } = open({
    changeRoles: ({ body }) => {
      changed(body);
      throw new Refusal('lastAdmin');
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Make Mr. Vallmark an admin' }));
  await user.click(screen.getByRole('button', { name: 'Ms. Achterlund is no longer an admin' }));
  await vi.waitFor(() => expect(changed).toHaveBeenCalledTimes(2), { timeout: 20_000 });
  expect(changed.mock.calls.flat()).toEqual([
    { userId: 'idris', isAdmin: true },
    { userId: 'runa', isAdmin: false },
  ]);
  expect(screen.getByRole('button', { name: 'Make Mr. Vallmark an admin' })).toBeTruthy();
});

test('the code for teachers is turned on and off, and the school is renamed', async () => {
  const sent = vi.fn();
  const { user } = open(
    {
      setTeacherCode: ({ body }) => {
        sent(body);
        return undefined;
      },
      changeSchool: ({ body }) => {
        sent(body);
        return undefined;
      },
    },
    { teacherCode: 'CDFH-2678' },
  );
  expect(await screen.findByText('CDFH-2678')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Turn it off' }));
  const name = screen.getByLabelText('Name of the school');
  await user.clear(name);
  await user.type(name, 'Quillhaven');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await vi.waitFor(() => expect(sent).toHaveBeenCalledTimes(2), { timeout: 20_000 });
  expect(sent.mock.calls.flat()).toEqual([
    { isOn: false },
    {
      name: 'Quillhaven',
      timeZone: 'Europe/Stockholm',
      locale: 'en',
      keptMonths: null,
      quietFrom: '20:00',
      quietUntil: '07:00',
    },
  ]);
});

test('a package of another system is looked at, and taken in with who has gone', async () => {
  const taken = vi.fn();
  const planned = {
    people: { added: 1, renamed: 0, same: 0 },
    classes: [
      {
        ...{
          externalId: 'c',
          name: '9 Birch',
          isNew: true,
          keptMonths: null,
          space: { materials: 3_000_000, answers: 40_000 },
          studentCount: 1,
          coming: 1,
        },
        gone: [{ id: 'bo', displayName: 'Bo Ek' }],
      },
    ],
  };
  const { user } = open({
    planOneRoster: () => planned,
    takeOneRoster: ({ body }) => {
      taken(body.takesOutGone, body.package.classes[0]?.studentIds);
      return planned;
    },
  });
  const file = (text: string) => new File([text], 'package.zip');
  await user.upload(await screen.findByLabelText('Choose the package'), file('x'));
  expect((await screen.findByRole('alert')).textContent).toContain('This is no OneRoster package');
  await user.upload(screen.getByLabelText('Choose the package'), file('a package'));
  expect(await screen.findByText('New: 1. Called differently now: 0. Here already: 0.')).toBeTruthy();
  expect(screen.getByText('users.csv, row 7: it has no name.')).toBeTruthy();
  expect(screen.getByRole('row', { name: /9 Birch.*Bo Ek/ })).toBeTruthy();
  await user.click(screen.getByLabelText(/^Take 1 student/));
  await user.click(screen.getByRole('button', { name: 'Take it in' }));
  await vi.waitFor(() => expect(taken).toHaveBeenCalledWith(true, ['u']), { timeout: 20_000 });
});
