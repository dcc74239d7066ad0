// @vitest-environment jsdom
import type { Joinable, Me } from '@semita/core/contract';
import 'fake-indexeddb/auto';
import { screen } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { beforeEach, expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { type Answers, Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as CardRoute } from './card-route.tsx';
import { Component as InvitationRoute } from './invitation-route.tsx';
import { Component as JoinRoute } from './join-route.tsx';
import { Component as SetUpRoute } from './set-up-route.tsx';

const person = (role: 'teacher' | 'student'): Me => ({
  ...{
    id: 'ada',
    roles: [role],
    displayName: 'Ada Lund',
    schoolName: 'Quillhaven School',
    waitingFor: [],
    isNew: false,
  },
});
const nobody = { me: null, demo: false, isEmpty: false, now: 0 };
const amber: Joinable = {
  ...{ kind: 'class', name: '8 Amber', schoolName: 'Quillhaven School', shape: 'arch', colour: 'slate', asks: true },
};

beforeEach(() => window.history.replaceState(null, '', '/'));

function open(at: string, answers: Answers) {
  const [path = '', hash = ''] = at.split('#');
  window.history.replaceState(null, '', at);
  const server = standIn({ readSession: () => nobody, ...answers });
  const shown = show(
    <Routes>
      <Route path="/set-up" element={<SetUpRoute />} />
      <Route path="/invitation" element={<InvitationRoute />} />
      <Route path="/join/:code?" element={<JoinRoute />} />
      <Route path="/card" element={<CardRoute />} />
      <Route path="/" element={<p>Where the day begins</p>} />
    </Routes>,
    hash ? `${path}#${hash}` : path,
  );
  return { ...server, ...shown };
}

const arrived = () => screen.findByText('Where the day begins');

test('a school is set up with what stands behind the # of the address', async () => {
  const sent = vi.fn();
  const { user } = open('/set-up#the-secret', {
    readSession: () => ({ ...nobody, isEmpty: true }),
    setUpSchool: ({ body }) => {
      sent(body);
      return person('teacher');
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Set up the school' }));
  expect(await screen.findAllByRole('alert')).toHaveLength(4);
  await user.type(screen.getByLabelText('Name of the school'), 'Quillhaven School');
  await user.type(screen.getByLabelText('Your name'), 'Ada Lund');
  await user.type(screen.getByLabelText('E-mail'), 'ada@quillhaven.example');
  await user.type(screen.getByLabelText('Choose a password'), 'three planks');
  await user.selectOptions(screen.getByLabelText('Time zone'), 'Asia/Tokyo');
  await user.click(screen.getByRole('button', { name: 'Set up the school' }));
  await arrived();
  expect(sent.mock.calls[0]?.[0]).toEqual({
    ...{ secret: 'the-secret', schoolName: 'Quillhaven School', timeZone: 'Asia/Tokyo', locale: 'en', teaches: true },
    ...{ displayName: 'Ada Lund', email: 'ada@quillhaven.example', password: 'three planks' },
  });
});

test('an address without its secret, and a school that is there already, say so', async () => {
  open('/set-up', { readSession: () => ({ ...nobody, isEmpty: true }) });
  expect(await screen.findByText('The address is not complete')).toBeTruthy();
});

test('whoever comes too late is led to sign in', async () => {
  open('/set-up#x', {});
  expect(await screen.findByRole('link', { name: 'Go to sign in' })).toBeTruthy();
});

test('an invitation is filled in with what the admin wrote, and can be changed', async () => {
  const sent = vi.fn();
  const { user } = open(`/invitation#${'t'.repeat(43)}`, {
    lookAtInvitation: () => ({ schoolName: 'Quillhaven School', displayName: 'A. Lund', email: 'a@q.example' }),
    acceptInvitation: ({ body }) => {
      sent(body);
      return person('teacher');
    },
  });
  const name = await screen.findByLabelText<HTMLInputElement>('Your name');
  expect(name.value).toBe('A. Lund');
  await user.clear(name);
  await user.type(name, 'Ada Lund');
  await user.type(screen.getByLabelText('Choose a password'), 'three planks{Enter}');
  await arrived();
  expect(sent.mock.calls[0]?.[0]).toMatchObject({
    token: 't'.repeat(43),
    displayName: 'Ada Lund',
    email: 'a@q.example',
  });
});

test('one that cannot be used says why', async () => {
  open(`/invitation#${'t'.repeat(43)}`, {
    lookAtInvitation: () => {
      throw new Refusal('invitationUnusable');
    },
  });
  expect(await screen.findByText(/was used, was taken back, or is older than a week/)).toBeTruthy();
});

test('a code is typed anyhow, and shows the class; somebody new makes an account there', async () => {
  const sent = vi.fn();
  const { user } = open('/join', {
    lookAtCode: ({ body }) => {
      sent(body.code);
      return amber;
    },
    joinAsNew: ({ body }) => {
      sent(body);
      return person('student');
    },
  });
  await user.type(await screen.findByLabelText('Class code'), 'cdfh{Enter}');
  expect((await screen.findByRole('alert')).textContent).toContain('eight letters and digits');
  await user.type(screen.getByLabelText('Class code'), ' z678{Enter}');
  expect(
    await screen.findByText('Your teacher lets everyone in one by one. You may have to wait a little.'),
  ).toBeTruthy();
  expect(sent).toHaveBeenCalledWith('CDFH2678');
  await user.type(screen.getByLabelText('Your name'), 'Ada Lund');
  await user.type(screen.getByLabelText('Choose a user name'), 'ada lund');
  await user.type(screen.getByLabelText('Choose a password'), 'three planks');
  await user.click(screen.getByRole('button', { name: 'Join the class' }));
  expect((await screen.findByRole('alert')).textContent).toContain('without spaces');
  await user.clear(screen.getByLabelText('Choose a user name'));
  await user.type(screen.getByLabelText('Choose a user name'), 'Ada.Lund{Enter}');
  await arrived();
  expect(sent).toHaveBeenLastCalledWith({
    ...{ code: 'CDFH2678', displayName: 'Ada Lund', userName: 'ada.lund', password: 'three planks' },
  });
});

test('a student who is signed in joins with one press, or says that it is not them', async () => {
  let me: Me | null = person('student');
  const { user } = open('/join/CDFH2678', {
    readSession: () => ({ ...nobody, me }),
    lookAtCode: () => amber,
    join: () => person('student'),
    signOut: () => {
      me = null;
      return undefined;
    },
  });
  expect(await screen.findByRole('button', { name: 'Join as Ada Lund' })).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'That is not me' }));
  await user.click(await screen.findByRole('button', { name: 'I have a user name' }));
  expect(screen.getByLabelText('Password')).toBeTruthy();
});

test('a teacher is told that the code is for students; a code that is off, that it is', async () => {
  open('/join/CDFH2678', { readSession: () => ({ ...nobody, me: person('teacher') }), lookAtCode: () => amber });
  expect(await screen.findByText(/This code is for students/)).toBeTruthy();
});

test('a code that lets nobody in says so, and leads to another', async () => {
  open('/join/CDFH2678', {
    lookAtCode: () => {
      throw new Refusal('codeOff');
    },
  });
  expect((await screen.findByRole('alert')).textContent).toContain('Nobody can join this class by its code');
  expect(screen.getByRole('link', { name: 'Another code' })).toBeTruthy();
});

test('the code of a school makes teachers', async () => {
  const sent = vi.fn();
  const { user } = open('/join/CDFH2678', {
    lookAtCode: () => ({ kind: 'school', schoolName: 'Quillhaven School' }),
    joinAsTeacher: ({ body }) => {
      sent(body.email);
      return person('teacher');
    },
  });
  await user.type(await screen.findByLabelText('Your name'), 'Ada Lund');
  await user.type(screen.getByLabelText('E-mail'), 'ADA@quillhaven.example');
  await user.type(screen.getByLabelText('Choose a password'), 'three planks{Enter}');
  await arrived();
  expect(sent).toHaveBeenCalledWith('ada@quillhaven.example');
});

test('a card is held up and lets in; nothing of it stays in the address', async () => {
  const sent = vi.fn();
  open(`/card#${'k'.repeat(43)}`, {
    signInByCard: ({ body }) => {
      sent(body);
      return person('student');
    },
  });
  await arrived();
  expect(sent).toHaveBeenCalledWith({ token: 'k'.repeat(43) });
  expect(window.location.href).not.toContain('kkk');
});

test('where somebody is signed in already, nobody becomes somebody else unasked', async () => {
  let me: Me | null = { ...person('student'), displayName: 'Bo Ek' };
  const sent = vi.fn();
  const { user } = open(`/card#${'k'.repeat(43)}`, {
    readSession: () => ({ ...nobody, me }),
    signOut: () => {
      me = null;
      return undefined;
    },
    signInByCard: ({ body }) => {
      sent(body);
      return person('student');
    },
  });
  expect(await screen.findByText('Bo Ek is signed in on this device.')).toBeTruthy();
  expect(sent).not.toHaveBeenCalled();
  await user.click(screen.getByRole('button', { name: 'Sign Bo Ek out and use the card' }));
  await arrived();
  expect(sent).toHaveBeenCalledWith({ token: 'k'.repeat(43) });
});

test('its words are typed where there is no camera; others are refused', async () => {
  const { user } = open('/card', {
    signInByCard: ({ body }) => {
      if (!('words' in body) || !body.words.includes('acorn')) throw new Refusal('cardUnknown');
      return person('student');
    },
  });
  const words = await screen.findByLabelText('The four words');
  await user.type(words, 'anchor ankle{Enter}');
  expect((await screen.findByRole('alert')).textContent).toContain('all four');
  await user.clear(words);
  await user.type(words, 'apple anchor ankle apron{Enter}');
  expect(await screen.findByText(/This card is not known here/)).toBeTruthy();
  await user.clear(words);
  await user.type(words, 'acorn anchor ankle apple{Enter}');
  await arrived();
});
