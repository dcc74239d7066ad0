// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { beforeEach, expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { type Answers, Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as ClassFrame } from './class-frame.tsx';
import type { ClassView } from './queries.ts';
import { Component as SettingsRoute } from './settings-route.tsx';
import { Component as StudentsRoute } from './students-route.tsx';

/** The worker of the page, in its place: what it is asked is read at once. */
vi.mock('./add-students/read-people-table.ts', () => ({
  readPeopleTable: async (source: { text?: string; bytes?: ArrayBuffer }) =>
    source.text === undefined
      ? null
      : { rows: source.text.split('\n').map((line) => line.split('\t')), areOneName: false },
}));

const student = (id: string, more = {}) => ({
  ...{ id, displayName: id, userName: id.toLowerCase(), extraTime: 1, groups: [], hasCard: false },
  ...more,
});
let amber: ClassView;
beforeEach(() => {
  amber = {
    ...{ id: 'amber', name: '8 Amber', shape: 'arch', colour: 'marigold', timeZone: 'UTC', locale: 'en' },
    ...{
      isArchived: false,
      removedAt: null,
      meetings: [],
      joining: 'asks',
      joinCode: 'CDFH-2678',
      rosterVersion: 3,
      runs: true,
    },
    ...{ teachers: [{ id: 'adaeze', displayName: 'Ms. Lindqvist' }], substitutes: [], waiting: [], assignments: [] },
    students: [student('Ada', { hasCard: true }), student('Bo')],
  };
});

const me = {
  ...{ id: 'adaeze', roles: ['teacher' as const], displayName: 'Ms. Lindqvist', schoolName: 'Quillhaven School' },
  ...{ waitingFor: [], isNew: false },
};

function open(page: 'students' | 'settings', answers: Answers = {}) {
  const server = standIn({
    readClass: () => amber,
    readSession: () => ({ me, demo: false, isEmpty: false, now: 0 }),
    listColleagues: () => [{ id: 'idris', displayName: 'Mr. Vallmark' }],
    listClasses: () => [],
    ...answers,
  });
  const shown = show(
    <Routes>
      <Route path="/classes/:classId" element={<ClassFrame />}>
        <Route index element={page === 'students' ? <StudentsRoute /> : <SettingsRoute />} />
      </Route>
    </Routes>,
    '/classes/amber',
  );
  return { ...server, ...shown };
}

test('names that are pasted are looked at, and taken in with what is ticked', async () => {
  const taken = vi.fn();
  const { user } = open('students', {
    planRoster: ({ body }) => ({
      version: 3,
      rows: body.people.map(({ displayName }) =>
        displayName === 'Ada'
          ? { kind: 'same' as const, studentId: 'Ada', userName: 'ada' }
          : { kind: 'add' as const, userName: displayName.toLowerCase(), hasNamesake: false },
      ),
      missing: [{ id: 'Bo', displayName: 'Bo' }],
    }),
    changeRoster: ({ body }) => {
      taken(body);
      return [{ studentId: 'c', displayName: 'Cleo', userName: 'cleo', password: 'abcd-efgh-jkmn' }];
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Add students' }));
  await user.type(screen.getByLabelText(/^Type or paste/), 'Ada\nCleo\nDag');
  await user.click(screen.getByRole('button', { name: 'Look at the list' }));
  expect(await screen.findByText('2 new, 1 here already')).toBeTruthy();
  await user.click(screen.getByLabelText('Take in row 3'));
  await user.click(screen.getByRole('button', { name: 'Take 1 in' }));
  expect(await screen.findByText('abcd-efgh-jkmn')).toBeTruthy();
  expect(taken.mock.calls[0]?.[0]).toEqual({
    version: 3,
    people: ['Ada', 'Cleo'].map((displayName) => ({ displayName, userName: '', groups: [] })),
    remove: [],
  });
  // Nobody leaves what is shown once by a slip.
  await user.click(screen.getByRole('button', { name: 'Done' }));
  await user.click(screen.getByRole('button', { name: 'Leave without printing?' }));
  expect(await screen.findByRole('button', { name: 'Add students' })).toBeTruthy();
});

test('Escape over the plan of a pasted list asks first, and the list is still there', async () => {
  const { user } = open('students', {
    planRoster: () => ({ version: 3, rows: [{ kind: 'add', userName: 'cleo', hasNamesake: false }], missing: [] }),
  });
  await user.click(await screen.findByRole('button', { name: 'Add students' }));
  await user.type(screen.getByLabelText(/^Type or paste/), 'Cleo');
  await user.click(screen.getByRole('button', { name: 'Look at the list' }));
  await screen.findByRole('button', { name: 'Take 1 in' });
  await user.keyboard('{Escape}');
  await user.click(screen.getByRole('button', { name: 'Go on writing' }));
  await user.click(screen.getByRole('button', { name: 'Back' }));
  expect(screen.getByLabelText<HTMLTextAreaElement>(/^Type or paste/).value).toBe('Cleo');
});

test('a class that has changed meanwhile is looked at again, and nothing is lost', async () => {
  let version = 3;
  const { user } = open('students', {
    planRoster: () => ({ version, rows: [{ kind: 'add', userName: 'cleo', hasNamesake: true }], missing: [] }),
    changeRoster: ({ body }) => {
      if (body.version !== 4) throw new Refusal('rosterMoved', { version: 4 });
      return [];
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Add students' }));
  await user.type(screen.getByLabelText(/^Type or paste/), 'Cleo');
  await user.click(screen.getByRole('button', { name: 'Look at the list' }));
  expect(await screen.findByText('another student of this name is here')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Take 1 in' }));
  expect((await screen.findByRole('alert')).textContent).toContain('changed by somebody else');
  version = 4;
  await user.click(screen.getByRole('button', { name: 'Look at the list' }));
  await user.click(await screen.findByRole('button', { name: 'Take 1 in' }));
  expect(await screen.findByRole('button', { name: 'Add students' })).toBeTruthy();
});

test('a table whose columns are wrong is put right; a faulty row says what is wrong and cannot be taken', async () => {
  const { user } = open('students', {
    planRoster: ({ body }) => ({
      version: 3,
      rows: body.people.map(({ displayName }) =>
        displayName === ''
          ? { kind: 'fault' as const, fault: 'nameMissing' as const }
          : { kind: 'add' as const, userName: 'x', hasNamesake: false },
      ),
      missing: [],
    }),
  });
  await user.click(await screen.findByRole('button', { name: 'Add students' }));
  await user.click(screen.getByLabelText(/^Type or paste/));
  await user.paste('7\tCleo Hjort\n8\tDag Vik');
  await user.click(screen.getByRole('button', { name: 'Look at the list' }));
  expect(await screen.findByText('2 new')).toBeTruthy();
  await user.selectOptions(screen.getByLabelText('Column 2'), 'Leave out');
  expect(await screen.findByText('2 with a fault')).toBeTruthy();
  expect(screen.getByLabelText<HTMLInputElement>('Take in row 1').disabled).toBe(true);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Nothing to change' }).disabled).toBe(true);
});

test('a file without text says so', async () => {
  const { user } = open('students');
  await user.click(await screen.findByRole('button', { name: 'Add students' }));
  await user.upload(screen.getByLabelText('Take a file (CSV)'), new File([new Uint8Array([0, 1, 2])], 'a.csv'));
  expect((await screen.findByRole('alert')).textContent).toContain('No names could be read');
});

test('cards and passwords are made for who is chosen, and a card is taken back', async () => {
  const made = vi.fn();
  const { user } = open('students', {
    makeCards: ({ body }) => {
      made(body.studentIds);
      return body.studentIds.map((id) => ({
        ...{ studentId: id, displayName: id, userName: id, token: 'a'.repeat(43), words: 'acorn anchor ankle apple' },
      }));
    },
    revokeCard: ({ params }) => {
      made([params.studentId, 'taken back']);
      return undefined;
    },
  });
  await user.click(await screen.findByLabelText('Select Bo'));
  await user.click(screen.getByRole('button', { name: 'Print cards' }));
  expect(await screen.findByRole('img', { name: 'Square to sign in as Bo' })).toBeTruthy();
  expect(made).toHaveBeenCalledWith(['Bo']);
  expect(screen.getByText('acorn anchor ankle apple')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Done' }));
  await user.click(screen.getByRole('button', { name: 'Leave without printing?' }));
  await user.click(await screen.findByRole('button', { name: 'More for Ada' }));
  await user.click(await screen.findByRole('menuitem', { name: 'Take the card back' }));
  await vi.waitFor(() => expect(made).toHaveBeenCalledWith(['Ada', 'taken back']), { timeout: 20_000 });
});

test('a group is made of pasted names; who is not in the class is named', async () => {
  const put = vi.fn();
  const { user } = open('students', {
    putIntoGroups: ({ body }) => {
      put(body.groups);
      return undefined;
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Put into a group' }));
  await user.type(screen.getByLabelText('Name of the group'), 'Red');
  await user.type(screen.getByLabelText('Their names, one a line'), ' ada \nBO\nCleo\nAda');
  expect((await screen.findByRole('alert')).textContent).toBe('Not in this class: Cleo');
  expect(screen.getByText('2 students of the class.')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Put in' }));
  await vi.waitFor(() => expect(put).toHaveBeenCalledWith([{ name: 'Red', studentIds: ['Ada', 'Bo'] }]), {
    timeout: 20_000,
  });
});

test('groups at random are seen before they are made, and stay while their name is typed', async () => {
  const put = vi.fn();
  amber = { ...amber, students: ['A', 'B', 'C', 'D', 'E'].map((id) => student(id)) };
  const { user } = open('students', {
    putIntoGroups: ({ body }) => {
      put(body.groups);
      return undefined;
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Groups at random' }));
  const dialog = within(screen.getByRole('dialog'));
  await user.selectOptions(dialog.getByLabelText('Make'), 'this many groups');
  await user.clear(dialog.getByLabelText('How many'));
  await user.type(dialog.getByLabelText('How many'), '2');
  const before = dialog.getAllByRole('list')[0]?.textContent?.replaceAll('Team', 'Crew');
  await user.clear(dialog.getByLabelText('What they are called'));
  await user.type(dialog.getByLabelText('What they are called'), 'Crew');
  expect(dialog.getAllByRole('list')[0]?.textContent).toBe(before);
  await user.click(dialog.getByRole('button', { name: 'Make these groups' }));
  await vi.waitFor(() => expect(put).toHaveBeenCalled(), { timeout: 20_000 });
  const groups: { name: string; studentIds: string[] }[] = put.mock.calls[0]?.[0];
  expect(groups.map(({ name }) => name)).toEqual(['Crew 1', 'Crew 2']);
  expect(groups.flatMap(({ studentIds }) => studentIds).toSorted()).toEqual(['A', 'B', 'C', 'D', 'E']);
});

test('who asks is let in or turned away', async () => {
  const answered = vi.fn();
  amber = { ...amber, waiting: [{ id: 'ludo', displayName: 'Ludo', userName: 'ludo', at: 0 }] };
  const { user } = open('students', {
    answerRequest: ({ params, body }) => {
      answered(params.studentId, body.letIn);
      return undefined;
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Turn Ludo away' }));
  await vi.waitFor(() => expect(answered).toHaveBeenCalledWith('ludo', false), { timeout: 20_000 });
});

test('who stands in sees the students, and changes nothing', async () => {
  amber = { ...amber, runs: false, joinCode: null, students: [student('Ada', { extraTime: 1.5, groups: ['red'] })] };
  open('students');
  expect(await screen.findByText(/You stand in for this class/)).toBeTruthy();
  expect(screen.getByText('50 % more')).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
  expect(screen.queryByRole('checkbox')).toBeNull();
  expect(screen.queryByRole('link', { name: 'Settings' })).toBeNull();
});

test('when a class meets is added in its place of the week, and taken away', async () => {
  const changed = vi.fn();
  amber = { ...amber, meetings: [{ weekday: 4, time: '13:00' }] };
  const { user } = open('settings', {
    changeClass: ({ body }) => {
      changed(body);
      amber = { ...amber, meetings: body.meetings ?? [] };
      return undefined;
    },
  });
  await screen.findByText('Thursday 13:00');
  await user.selectOptions(screen.getByLabelText('Day'), 'Tuesday');
  await user.clear(screen.getByLabelText('At'));
  await user.type(screen.getByLabelText('At'), '08:15');
  await user.click(screen.getByRole('button', { name: 'Add' }));
  const tuesday = { weekday: 2, time: '08:15' };
  await vi.waitFor(() =>
    expect(changed).toHaveBeenLastCalledWith({ meetings: [tuesday, { weekday: 4, time: '13:00' }] }),
  );
  await user.click(await screen.findByRole('button', { name: 'No longer Thursday 13:00' }));
  await vi.waitFor(() => expect(changed).toHaveBeenLastCalledWith({ meetings: [tuesday] }));
});

test('settings are saved as they are chosen; a colleague teaches along, another stands in', async () => {
  const sent = vi.fn();
  const keep =
    (name: string) =>
    ({ body }: { body?: unknown }) => {
      sent(name, body);
      return undefined;
    };
  const { user } = open('settings', {
    changeClass: keep('change'),
    renewJoinCode: keep('renew'),
    addTeacher: keep('teacher'),
    addSubstitute: keep('substitute'),
  });
  await user.click(await screen.findByRole('radio', { name: 'Leaf' }));
  await user.click(screen.getByRole('radio', { name: 'Spruce' }));
  await user.selectOptions(screen.getByLabelText('Who has the code comes in'), 'At once');
  await user.click(screen.getByRole('button', { name: 'New code' }));
  const [beside, standingIn] = await screen.findAllByRole('combobox', { name: 'Choose a colleague' });
  await user.selectOptions(beside as HTMLElement, 'Mr. Vallmark');
  await user.click(screen.getByRole('button', { name: 'Add a teacher' }));
  await user.selectOptions(standingIn as HTMLElement, 'Mr. Vallmark');
  await user.click(screen.getByRole('button', { name: 'Let them stand in' }));
  await vi.waitFor(() => expect(sent).toHaveBeenCalledWith('substitute', expect.anything()), { timeout: 20_000 });
  expect(sent.mock.calls.slice(0, 5)).toEqual([
    ['change', { shape: 'leaf' }],
    ['change', { colour: 'spruce' }],
    ['change', { joining: 'open' }],
    ['renew', undefined],
    ['teacher', { teacherId: 'idris' }],
  ]);
  expect(screen.getByRole('img', { name: 'Square that leads to joining 8 Amber' })).toBeTruthy();
});
