import { nextClassMark } from '@semita/core/roster';
import { and, eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { inTransaction } from '../../db/open.ts';
import { classes, classTeachers, schools, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Roster } from '../classes/roster.ts';
import type { AccountRepository } from './account-repository.ts';
import { createFirstPassword } from './first-password.ts';
import { hashPassword } from './password.ts';

/** What somebody needs for their first sign-in. The password is nowhere else: only its hash is stored. */
export interface FirstSignIn {
  readonly name: string;
  readonly signIn: string;
  readonly password: string;
}

interface Person {
  readonly role: 'teacher' | 'student';
  readonly name: string;
  readonly signIn: string;
  readonly classNames: readonly string[];
}

interface Options extends Pick<Deps, 'db' | 'newId'> {
  readonly accounts: Pick<AccountRepository, 'add'>;
  readonly roster: Pick<Roster, 'add'>;
}

export const rosterColumns = ['role', 'name', 'sign in', 'classes'] as const;

/**
 * Adds people to a school, and the school and its classes where they are not there yet. All of a roster or nothing.
 * @param csv a header `role,name,sign in,classes`; roles teacher and student; classes apart by semicolons. Teachers
 *   sign in by e-mail, students by a user name
 * @param timeZone IANA name, the clock of classes that are new
 * @throws RosterFaults that name every line that cannot be taken
 */
export async function addPeople(
  { db, newId, accounts, roster }: Options,
  { schoolName, timeZone, csv }: { readonly schoolName: string; readonly timeZone: string; readonly csv: string },
): Promise<FirstSignIn[]> {
  const known = db
    .select({ email: users.email, userName: users.userName })
    .from(users)
    .innerJoin(schools, eq(schools.id, users.schoolId))
    .where(eq(schools.name, schoolName))
    .all();
  const people = readRoster(csv, new Set(known.flatMap((row) => [row.email, row.userName])));
  const firsts = people.map(({ name, signIn }) => ({ name, signIn, password: createFirstPassword() }));
  const hashes: string[] = [];
  for (const { password } of firsts) hashes.push(await hashPassword(password));
  inTransaction(db, () => {
    const schoolId = findOrAdd(
      () => db.select().from(schools).where(eq(schools.name, schoolName)).get(),
      () => db.insert(schools).values({ id: newId(), name: schoolName, timeZone }).returning().get(),
    );
    const classIdOf = (name: string) =>
      findOrAdd(
        () =>
          db
            .select()
            .from(classes)
            .where(and(eq(classes.schoolId, schoolId), eq(classes.name, name)))
            .get(),
        () => {
          const mark = nextClassMark(db.select().from(classes).where(eq(classes.schoolId, schoolId)).all());
          return db
            .insert(classes)
            .values({ id: newId(), schoolId, name, timeZone, ...mark })
            .returning()
            .get();
        },
      );
    for (const [index, { role, name, signIn, classNames }] of people.entries()) {
      const names = role === 'teacher' ? { email: signIn } : { userName: signIn };
      const passwordHash = hashes[index] as string;
      const id = accounts.add({ schoolId, displayName: name, ...names, passwordHash, roles: [role] });
      for (const classId of classNames.map(classIdOf)) {
        if (role === 'teacher') db.insert(classTeachers).values({ classId, teacherId: id }).run();
        else roster.add(classId, id);
      }
    }
  });
  return firsts;
}

function findOrAdd(find: () => { id: string } | undefined, add: () => { id: string }): string {
  return (find() ?? add()).id;
}

/** Says what is wrong with a roster, line by line. */
export class RosterFaults extends Error {
  constructor(faults: readonly string[]) {
    super(`Nobody was added:\n${faults.join('\n')}`);
    this.name = 'RosterFaults';
  }
}

function readRoster(csv: string, taken: Set<string | null>): Person[] {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
  });
  const missing = rosterColumns.filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0) throw new RosterFaults([`The header has no column ${missing.join(', ')}.`]);
  if (data.length === 0) throw new RosterFaults(['There is nobody on this roster.']);
  const faults: string[] = [];
  const people = data.map((row, index): Person => {
    const cell = (column: (typeof rosterColumns)[number]) => row[column]?.trim() ?? '';
    const role = cell('role').toLowerCase();
    const signIn = cell('sign in').toLowerCase();
    const fault = faultOf(role, cell('name'), signIn, taken);
    if (fault) faults.push(`Line ${index + 2}: ${fault}`);
    taken.add(signIn);
    const classNames = cell('classes')
      .split(';')
      .map((name) => name.trim());
    return {
      role: role === 'teacher' ? 'teacher' : 'student',
      name: cell('name'),
      signIn,
      classNames: [...new Set(classNames)].filter((name) => name !== ''),
    };
  });
  if (faults.length > 0) throw new RosterFaults(faults);
  return people;
}

function faultOf(role: string, name: string, signIn: string, taken: ReadonlySet<string | null>): string | null {
  if (role !== 'teacher' && role !== 'student') return `the role is “${role}”; it can be teacher or student.`;
  if (name === '') return 'there is no name.';
  if (signIn === '') return 'there is nothing to sign in with.';
  if (role === 'teacher' && !signIn.includes('@')) return 'teachers sign in by e-mail.';
  if (role === 'student' && signIn.includes('@')) return 'students sign in by a user name, not by e-mail.';
  return taken.has(signIn) ? `“${signIn}” is taken.` : null;
}
