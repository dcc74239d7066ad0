import type { FirstSignIn } from '@semita/core/contract';
import { type PlannedRow, planRoster, tidyPersonName, type WantedStudent } from '@semita/core/roster';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import { createFirstPassword } from '../accounts/first-password.ts';
import { hashPassword } from '../accounts/password.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from './class-repository.ts';
import type { Roster } from './roster.ts';

export type RosterLists = ReturnType<typeof createRosterLists>;

interface Options extends Pick<Deps, 'newId'> {
  readonly classes: ClassRepository;
  readonly accounts: AccountRepository;
  readonly roster: Roster;
}

/** Lists of people that are brought into a class: looked at first, then taken. */
export function createRosterLists({ classes, accounts, roster }: Options) {
  const tidy = (people: readonly WantedStudent[]): WantedStudent[] =>
    people.map(({ displayName, userName, groups }) => ({
      displayName: tidyPersonName(displayName),
      userName: userName.trim().normalize('NFKC').toLowerCase(),
      groups: [...new Set(groups.map(tidyPersonName).filter((name) => name !== ''))],
    }));

  const plan = ({ schoolId }: Actor, classId: string, people: readonly WantedStudent[]) => {
    const { rosterVersion: version } = found(classes.find(classId));
    const known = accounts.byUserName(schoolId);
    const roster = classes.listStudents(classId);
    return { version, ...planRoster(people, { roster, findByUserName: (userName) => known.get(userName) }) };
  };

  return {
    plan: (actor: Actor, classId: string, people: readonly WantedStudent[]) => {
      const { version, rows, missing } = plan(actor, classId, tidy(people));
      return { version, rows: [...rows], missing: missing.map(({ id, displayName }) => ({ id, displayName })) };
    },

    /**
     * Takes a list in, all of it or nothing, and takes out of the class whom it names.
     * @returns what each new student signs in by; kept nowhere
     * @throws Refused rosterMoved when the class has changed since the plan; rosterFaulty, with the rows
     */
    async take(
      actor: Actor,
      classId: string,
      input: {
        readonly version: number;
        readonly people: readonly WantedStudent[];
        readonly remove: readonly string[];
      },
    ): Promise<FirstSignIn[]> {
      const people = tidy(input.people);
      const assertSame = (version: number) => {
        if (version !== input.version) throw new Refused('rosterMoved', { version });
      };
      const before = plan(actor, classId, people);
      assertSame(before.version);
      const faulty = before.rows.flatMap((row, index) => (row.kind === 'fault' ? [index] : []));
      if (faulty.length > 0) throw new Refused('rosterFaulty', { rows: faulty });
      // Hashing takes its time; nothing is written meanwhile.
      const secrets = await Promise.all(
        before.rows.map(async ({ kind }) => {
          if (kind !== 'add') return null;
          const password = createFirstPassword();
          return { password, hash: await hashPassword(password) };
        }),
      );
      return roster.together(() => {
        const { version, rows } = plan(actor, classId, people);
        assertSame(version);
        for (const studentId of new Set(input.remove)) roster.remove(classId, studentId);
        return rows.flatMap((row, index): FirstSignIn[] => {
          const wanted = people[index] as WantedStudent;
          const secret = secrets[index];
          if (row.kind !== 'add') {
            takeKnown(classId, row, wanted);
            return [];
          }
          if (!secret) throw new Refused('rosterMoved', { version });
          const { displayName, groups } = wanted;
          const { userName } = row;
          const passwordHash = secret.hash;
          const { schoolId } = actor;
          const studentId = accounts.add({ schoolId, displayName, userName, passwordHash, roles: ['student'] });
          roster.add(classId, studentId, groups);
          return [{ studentId, displayName, userName, password: secret.password }];
        });
      });
    },
  };

  function takeKnown(classId: string, row: PlannedRow, { displayName, groups }: WantedStudent): void {
    if (row.kind === 'bringIn') roster.add(classId, row.studentId, groups);
    if (row.kind !== 'update') return;
    accounts.rename(row.studentId, displayName);
    roster.add(classId, row.studentId, groups);
  }
}
