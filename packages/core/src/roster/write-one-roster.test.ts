import { expect, test } from 'vitest';
import { readOneRoster } from './one-roster.ts';
import { type RosterOfSchool, writeOneRoster } from './write-one-roster.ts';

const person = (externalId: string, displayName: string, role: 'student' | 'teacher' = 'student') => ({
  ...{ externalId, displayName, role, isActive: true },
  ...(role === 'student'
    ? { userName: externalId, email: null }
    : { userName: null, email: `${externalId}@quillhaven.example` }),
});
const school: RosterOfSchool = {
  ...{ id: 'quillhaven', name: 'Quillhaven School', today: '2026-12-01' },
  people: [
    person('u1', 'Ada Lund'),
    person('u2', 'Bo van der Ek'),
    person('u3', 'Cher'),
    person('t1', 'Ms. Mira Holm', 'teacher'),
    { ...person('u4', 'Switched Off'), isActive: false },
  ],
  classes: [
    { externalId: 'c1', name: '8 Amber', studentIds: ['u1', 'u2'], teacherIds: ['t1'] },
    { externalId: 'c2', name: '8 Cobalt', studentIds: [], teacherIds: [] },
  ],
  schoolDays: [
    { title: 'Autumn', kind: 'term', firstDay: '2026-08-17', lastDay: '2026-12-18' },
    { title: 'Spring', kind: 'term', firstDay: '2027-01-07', lastDay: '2027-06-11' },
    { title: 'Harvest', kind: 'off', firstDay: '2026-10-26', lastDay: '2026-10-30' },
  ],
};
const written = writeOneRoster(school);
const rowsOf = (name: string, from = written) =>
  (from[name]?.rows ?? []).map((row) =>
    Object.fromEntries((from[name]?.fields ?? []).map((f, i) => [f, row[i] ?? ''])),
  );

test('what is written is read back as it was', () => {
  const files = Object.fromEntries(Object.keys(written).map((name) => [name, rowsOf(name)]));
  const read = readOneRoster(files);
  expect(read?.faults).toEqual([]);
  expect(read?.people.map(({ externalId, displayName, isTeacher }) => [externalId, displayName, isTeacher])).toEqual([
    ['u1', 'Ada Lund', false],
    ['u2', 'Bo van der Ek', false],
    ['u3', 'Cher', false],
    ['t1', 'Ms. Mira Holm', true],
  ]);
  expect(read?.classes).toEqual(school.classes);
});

// Required fields of each file, from memory of the specification's tables (OneRoster 1.2, CSV binding).
test.each([
  ['orgs', ['sourcedId', 'name', 'type']],
  ['academicSessions', ['sourcedId', 'title', 'type', 'startDate', 'endDate', 'schoolYear']],
  ['courses', ['sourcedId', 'title', 'orgSourcedId']],
  ['classes', ['sourcedId', 'title', 'courseSourcedId', 'classType', 'schoolSourcedId', 'termSourcedIds']],
  ['users', ['sourcedId', 'enabledUser', 'username', 'givenName']],
  ['roles', ['sourcedId', 'userSourcedId', 'roleType', 'role', 'orgSourcedId']],
  ['enrollments', ['sourcedId', 'classSourcedId', 'schoolSourcedId', 'userSourcedId', 'role']],
])('%s says all that is required', (name, required) => {
  const rows = rowsOf(name);
  expect(rows.length).toBeGreaterThan(0);
  for (const row of rows) for (const field of required) expect(row[field], `${name}.${field}`).not.toBe('');
});

test('the manifest names every file there may be, and which are there', () => {
  const manifest = new Map(written.manifest?.rows.map(([name = '', value = '']) => [name, value]));
  expect([manifest.get('oneroster.version'), manifest.get('manifest.version')]).toEqual(['1.2', '1.0']);
  expect([manifest.get('file.users'), manifest.get('file.demographics')]).toEqual(['bulk', 'absent']);
  for (const name of Object.keys(written).filter((one) => one !== 'manifest'))
    expect(manifest.get(`file.${name}`)).toBe('bulk');
});

test('terms end in their school year, and a school without a calendar has its calendar year', () => {
  expect(rowsOf('academicSessions').map(({ title, schoolYear }) => [title, schoolYear])).toEqual([
    ['Autumn', '2027'],
    ['Spring', '2027'],
  ]);
  const bare = writeOneRoster({ ...school, schoolDays: [] });
  expect(rowsOf('academicSessions', bare)[0]).toMatchObject({ type: 'schoolYear', startDate: '2026-01-01' });
});

test('no password and nothing that nobody asked for', () => {
  expect(rowsOf('users').every(({ password, phone, sms }) => password === '' && phone === '' && sms === '')).toBe(true);
});
