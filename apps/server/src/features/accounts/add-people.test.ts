import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { classes, users } from '../../db/schema.ts';
import { type School, startSchool } from '../../test/harness.ts';
import { addPeople } from './add-people.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

const add = (...lines: string[]) =>
  addPeople(
    { ...school.deps, accounts: school.services.accounts, roster: school.services.roster },
    {
      schoolName: 'Stonebridge',
      timeZone: 'Pacific/Auckland',
      csv: ['role,name,sign in,classes', ...lines].join('\r\n'),
    },
  );

test('a roster makes a school: each can sign in, and finds their classes', async () => {
  const firsts = await add(
    'teacher,Mr. Ode Haugland,Ode@Stonebridge.example,7 Granite; 7 Slate',
    'student,"Rin, the younger",rin.b,7 Granite',
  );
  expect(firsts.map((one) => one.signIn)).toEqual(['ode@stonebridge.example', 'rin.b']);
  const [ode, rin] = [school.visitor(), school.visitor()];
  const signIn = (client: typeof ode, index: number) =>
    client.ask('POST', '/api/session', { name: firsts[index]?.signIn, password: firsts[index]?.password });
  expect((await signIn(ode, 0)).body).toMatchObject({ roles: ['teacher'], schoolName: 'Stonebridge' });
  expect((await signIn(rin, 1)).body).toMatchObject({ roles: ['student'], displayName: 'Rin, the younger' });
  const { body } = await ode.ask('GET', '/api/classes');
  expect(body).toEqual([
    expect.objectContaining({ name: '7 Granite', timeZone: 'Pacific/Auckland', studentCount: 1 }),
    expect.objectContaining({ name: '7 Slate', studentCount: 0 }),
  ]);
  // New classes keep the clock of the school, and each can be told apart.
  await ode.ask('POST', '/api/classes', { name: '7 Zinc' });
  const all = (await ode.ask('GET', '/api/classes')).body;
  expect(all.at(-1)).toMatchObject({ name: '7 Zinc', timeZone: 'Pacific/Auckland' });
  expect(new Set(all.map((one: { shape: string; colour: string }) => one.shape + one.colour)).size).toBe(3);
  expect(firsts[1]?.password).toMatch(/^[a-z2-9]{4}(-[a-z2-9]{4}){2}$/);
  expect(JSON.stringify(school.db.select().from(users).all())).not.toContain(firsts[1]?.password);
});

test('a second roster joins the classes that are there', async () => {
  await add('teacher,Ode,ode@stonebridge.example,7 Granite');
  const before = school.db.select().from(classes).all().length;
  await add('student,Rin,rin.b,7 Granite');
  expect(school.db.select().from(classes).all()).toHaveLength(before);
});

describe('a faulty roster adds nobody, and says why by line', () => {
  test('every fault at once', async () => {
    // Names are unique within a school; another school has an imani, too.
    await add('student,Imani,imani,');
    const before = school.db.select().from(users).all().length;
    const failed = add(
      'student,Rin,rin.b,7 Granite',
      'janitor,Bo,bo,',
      'student,,nameless,',
      'student,Kai,,',
      'teacher,Ode,ode,',
      'student,Kai,kai@stonebridge.example,',
      'student,Rin again,RIN.B,',
      'student,Imani,imani,',
    );
    await expect(failed).rejects.toThrow(
      [
        'Nobody was added:',
        'Line 3: the role is “janitor”; it can be teacher or student.',
        'Line 4: there is no name.',
        'Line 5: there is nothing to sign in with.',
        'Line 6: teachers sign in by e-mail.',
        'Line 7: students sign in by a user name, not by e-mail.',
        'Line 8: “rin.b” is taken.',
        'Line 9: “imani” is taken.',
      ].join('\n'),
    );
    expect(school.db.select().from(users).all()).toHaveLength(before);
  });

  test('a header that is not one, and an empty list', async () => {
    const read = (csv: string) =>
      addPeople(
        { ...school.deps, accounts: school.services.accounts, roster: school.services.roster },
        { schoolName: 'S', timeZone: 'UTC', csv },
      );
    await expect(read('name,class\nRin,7')).rejects.toThrow('no column role, sign in, classes');
    await expect(read('role,name,sign in,classes\n')).rejects.toThrow('There is nobody on this roster.');
  });
});
