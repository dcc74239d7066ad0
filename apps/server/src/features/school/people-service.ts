import type { Writable } from 'node:stream';
import type { FirstSignIn, People, PeopleQuery, PersonSettings } from '@semita/core/contract';
import { nameKey } from '@semita/core/roster';
import { eq, inArray, sql } from 'drizzle-orm';
import { users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import { createFirstPassword } from '../accounts/first-password.ts';
import { hashPassword } from '../accounts/password.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor, SessionService } from '../accounts/session-service.ts';

export type PeopleService = ReturnType<typeof createPeopleService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'bus'> {
  readonly accounts: AccountRepository;
  readonly sessions: Pick<SessionService, 'signOutEverywhere'>;
  readonly security: SecurityLog;
  readonly writeArchive: (student: { readonly id: string; readonly schoolId: string }, out: Writable) => Promise<void>;
  readonly erase: (studentId: string) => Promise<void>;
  /** Names of what was given say what students are called. */
  readonly onRenamed: (userId: string) => void;
}

const pageSize = 50;

/** People of a school one by one, for whoever looks after it. Who may is asked at the door. */
export function createPeopleService(options: Options) {
  const { db, clock, bus, accounts, sessions, security, writeArchive, erase, onRenamed } = options;
  const readNames = (json: string) => JSON.parse(json) as string[];

  const list = (schoolId: string) =>
    db
      .select({
        ...{ id: users.id, displayName: users.displayName },
        signInName: sql<string>`coalesce(${users.userName}, ${users.email}, '')`,
        isStudent:
          sql`exists (select 1 from user_roles r where r.user_id = "users"."id" and r.role = 'student')`.mapWith(
            Boolean,
          ),
        isOff: sql`${users.deactivatedAt} is not null`.mapWith(Boolean),
      })
      .from(users)
      .where(eq(users.schoolId, schoolId))
      .orderBy(users.displayName)
      .all();

  /** Of one page of them, in one statement. */
  const detailsOf = (ids: readonly string[]) =>
    new Map(
      db
        .select({
          id: users.id,
          classNames: sql`(select json_group_array(name) from (select c.name as name from classes c where c.id in (
            select class_id from class_students where student_id = "users"."id"
            union select class_id from class_teachers where teacher_id = "users"."id") order by c.name))`.mapWith(
            readNames,
          ),
          lastSeenAt: sql<number | null>`(select max(s.used_at) from sessions s where s.user_id = "users"."id")`,
        })
        .from(users)
        .where(inArray(users.id, [...ids]))
        .all()
        .map(({ id, ...details }) => [id, details] as const),
    );

  const personOf = (userId: string) => found(db.select().from(users).where(eq(users.id, userId)).get());
  const isStudent = (userId: string): boolean => accounts.rolesOf(userId).includes('student');

  const switchOff = (actor: Actor, userId: string, isOff: boolean) => {
    // Somebody must be able to switch it on again.
    if (userId === actor.id) throw new Refused('lastAdmin');
    db.update(users)
      .set({ deactivatedAt: isOff ? clock() : null })
      .where(eq(users.id, userId))
      .run();
    security.record(isOff ? 'switchedOff' : 'switchedOn', userId, null, actor.id);
    if (isOff) sessions.signOutEverywhere(userId, 'switchedOff');
    else bus.publish('rightsChanged', { userId });
  };

  return {
    /** By parts of their names, in any letters, accents or not. */
    search({ schoolId }: Actor, { words, isStaff, offset }: PeopleQuery): People {
      const wanted = words.split(/\s+/).map(nameKey);
      const all = list(schoolId).filter((one) => {
        if (one.isStudent === isStaff) return false;
        const key = `${nameKey(one.displayName)} ${one.signInName}`;
        return wanted.every((part) => key.includes(part));
      });
      const page = all.slice(offset, offset + pageSize);
      const details = detailsOf(page.map(({ id }) => id));
      return {
        count: all.length,
        people: page.map(({ isStudent: _, ...person }) => ({
          ...person,
          ...(details.get(person.id) ?? { classNames: [], lastSeenAt: null }),
        })),
      };
    },

    /** @throws Refused userNameTaken, emailTaken; lastAdmin for whoever would switch themselves off */
    change(actor: Actor, userId: string, { displayName, signInName, isOff }: PersonSettings): void {
      if (displayName !== undefined) {
        accounts.rename(userId, displayName);
        onRenamed(userId);
      }
      if (signInName !== undefined) accounts.setSignInName(userId, signInName, isStudent(userId));
      if (displayName !== undefined || signInName !== undefined)
        security.record('personChanged', userId, signInName === undefined ? 'name' : 'signInName', actor.id);
      if (isOff !== undefined) switchOff(actor, userId, isOff);
    },

    /** A password in place of theirs, shown this once; they are signed out everywhere. */
    async givePassword(actor: Actor, userId: string): Promise<FirstSignIn> {
      const { displayName, userName, email } = personOf(userId);
      const password = createFirstPassword();
      accounts.setPassword(userId, await hashPassword(password));
      security.record('passwordGiven', userId, null, actor.id);
      sessions.signOutEverywhere(userId, 'passwordGiven');
      return { studentId: userId, displayName, userName: userName ?? email ?? '', password };
    },

    /** @throws Refused inputInvalid for whom is no student */
    async exportStudent(actor: Actor, userId: string, begin: (name: string) => Writable): Promise<void> {
      const { displayName, schoolId } = personOf(userId);
      if (!isStudent(userId)) throw new Refused('inputInvalid', { fields: ['userId'] });
      security.record('studentExported', userId, null, actor.id);
      await writeArchive({ id: userId, schoolId }, begin(displayName));
    },

    /**
     * Nothing brings it back.
     * @param name as it is typed, so that it is this one who is meant
     * @throws Refused nameNotSame, inputInvalid for whom is no student
     */
    async erase(actor: Actor, userId: string, name: string): Promise<void> {
      const { displayName } = personOf(userId);
      if (!isStudent(userId)) throw new Refused('inputInvalid', { fields: ['userId'] });
      if (nameKey(name) !== nameKey(displayName)) throw new Refused('nameNotSame');
      sessions.signOutEverywhere(userId);
      await erase(userId);
      security.record('erased', null, null, actor.id);
    },
  };
}
