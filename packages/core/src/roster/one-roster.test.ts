import { expect, test } from 'vitest';
import { type RosterFiles, readOneRoster } from './one-roster.ts';

/** Rows under the headers that the specification names (from memory), the rest of the columns left out. */
const rows = (header: string, ...lines: string[]) =>
  lines.map((line) => Object.fromEntries(header.split(',').map((name, index) => [name, line.split(',')[index] ?? ''])));

const manifest = rows('propertyName,value', 'manifest.version,1.0', 'oneroster.version,1.2', 'file.users,bulk');
const files = (more: Partial<RosterFiles> = {}): RosterFiles => ({
  manifest,
  users: rows(
    'sourcedId,status,enabledUser,username,givenName,familyName,email,preferredGivenName,password',
    'u1,,true,ADA.L,Adelheid,Lund,,Ada,secret',
    'u2,,true,,Bo,Ek,,,',
    'u3,,true,,Mira,Holm,Mira@school.example,,',
    'u4,,false,,Left,Long ago,,,',
    'u5,tobedeleted,true,,Gone,Now,,,',
  ),
  roles: rows('sourcedId,status,userSourcedId,roleType,role', 'r1,,u1,primary,student', 'r3,,u3,primary,teacher'),
  classes: rows('sourcedId,status,title,classCode', 'c1,,8 Amber,8A', 'c2,,,8C', 'c3,tobedeleted,Old,'),
  enrollments: rows(
    'sourcedId,status,classSourcedId,userSourcedId,role,primary',
    'e1,,c1,u1,student,',
    'e2,,c1,u2,student,',
    'e3,,c1,u3,teacher,true',
    'e4,,c2,u4,student,',
    'e5,,c3,u1,student,',
    'e6,tobedeleted,c2,u1,student,',
  ),
  demographics: rows('sourcedId,birthDate', 'u1,2013-01-01'),
  ...more,
});

test('people as they are called, classes, and who is in them; nothing of who has gone', () => {
  expect(readOneRoster(files())).toEqual({
    people: [
      { externalId: 'u1', displayName: 'Ada Lund', userName: 'ada.l', email: '', isTeacher: false },
      { externalId: 'u2', displayName: 'Bo Ek', userName: '', email: '', isTeacher: false },
      { externalId: 'u3', displayName: 'Mira Holm', userName: '', email: 'mira@school.example', isTeacher: true },
    ],
    classes: [
      { externalId: 'c1', name: '8 Amber', studentIds: ['u1', 'u2'], teacherIds: ['u3'] },
      { externalId: 'c2', name: '8C', studentIds: [], teacherIds: [] },
    ],
    faults: [],
  });
});

test('neither passwords nor demographics are read', () => {
  expect(JSON.stringify(readOneRoster(files()))).not.toMatch(/secret|2013/);
});

test('the version before, which names the role with the user, is read too', () => {
  const users = rows('sourcedId,status,enabledUser,username,givenName,familyName,role', 't,,true,,Mira,Holm,teacher');
  const read = readOneRoster(files({ users, roles: undefined, enrollments: [] }));
  expect(read?.people[0]?.isTeacher).toBe(true);
});

test('what cannot be used is named by file and row, and keeps nothing else out', () => {
  const read = readOneRoster(
    files({
      users: rows('sourcedId,givenName,familyName', 'u1,Ada,Lund', ',No,Id', 'u9,,', 'u1,Ada,Again'),
      enrollments: rows(
        'classSourcedId,userSourcedId,role',
        'c1,u1,student',
        'c9,u1,student',
        'c1,u7,student',
        'c1,u1,proctor',
      ),
    }),
  );
  expect(read?.faults).toEqual([
    { file: 'users.csv', row: 3, fault: 'idMissing' },
    { file: 'users.csv', row: 4, fault: 'nameMissing' },
    { file: 'users.csv', row: 5, fault: 'twice' },
    { file: 'enrollments.csv', row: 3, fault: 'classUnknown' },
    { file: 'enrollments.csv', row: 4, fault: 'personUnknown' },
  ]);
  expect(read?.classes[0]?.studentIds).toEqual(['u1']);
});

test.each([
  ['nothing', {}],
  ['no manifest', { ...files(), manifest: [] }],
  ['another kind of manifest', { ...files(), manifest: rows('propertyName,value', 'version,2') }],
  ['no users', { ...files(), users: undefined }],
])('%s is no such package', (_, other) => expect(readOneRoster(other as RosterFiles)).toBeNull());
