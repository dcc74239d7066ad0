import { emailSchema, type Role, userNameSchema } from '@semita/core/contract';
import type { KnownPerson } from '@semita/core/roster';
import { and, eq, inArray, isNotNull, isNull, ne, sql } from 'drizzle-orm';
import * as v from 'valibot';
import { recipients, schools, userRoles, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';

export type AccountRepository = ReturnType<typeof createAccountRepository>;

/** Somebody new. Teachers sign in by their e-mail, students by a user name; both in small letters. */
export interface NewAccount {
  readonly schoolId: string;
  readonly displayName: string;
  readonly email?: string;
  readonly userName?: string;
  /** Null for whom nobody has given a password yet. */
  readonly passwordHash: string | null;
  readonly roles: readonly Role[];
  readonly isGuest?: boolean;
}

/** Accounts of people, and what they are at their school. */
export function createAccountRepository({ db, clock, newId }: Pick<Deps, 'db' | 'clock' | 'newId'>) {
  const findByUserName = (schoolId: string, userName: string) =>
    db
      .select({ id: users.id, displayName: users.displayName })
      .from(users)
      .where(and(eq(users.schoolId, schoolId), eq(users.userName, userName)))
      .get();

  return {
    /**
     * Makes an account; inside a transaction.
     * @throws Refused userNameTaken, emailTaken within the school
     */
    add({ roles, ...account }: NewAccount): string {
      const { schoolId, email, userName } = account;
      if (userName !== undefined && findByUserName(schoolId, userName)) throw new Refused('userNameTaken');
      const byEmail = and(eq(users.schoolId, schoolId), eq(users.email, email ?? ''));
      if (email !== undefined && db.select({ id: users.id }).from(users).where(byEmail).get())
        throw new Refused('emailTaken');
      const id = newId();
      db.insert(users)
        .values({ id, ...account, createdAt: clock() })
        .run();
      for (const role of new Set(roles)) db.insert(userRoles).values({ userId: id, role }).run();
      return id;
    },

    /** Whoever of a school signs in by a user name, by that name, in one statement; only students do. */
    byUserName: (schoolId: string): ReadonlyMap<string, KnownPerson> =>
      new Map(
        db
          .select({ id: users.id, displayName: users.displayName, userName: users.userName })
          .from(users)
          .where(and(eq(users.schoolId, schoolId), isNotNull(users.userName)))
          .all()
          .map(({ id, displayName, userName }) => [userName ?? '', { id, displayName, isStudent: true }]),
      ),

    /** An account of a teacher that another system brought, and that nobody has a password for yet. */
    findUnclaimed: (schoolId: string, email: string): string | undefined =>
      db
        .select({ id: users.id })
        .from(users)
        .where(and(eq(users.schoolId, schoolId), eq(users.email, email), isNull(users.passwordHash)))
        .get()?.id,

    find: (userId: string) =>
      db
        .select({ id: users.id, schoolId: users.schoolId, displayName: users.displayName, userName: users.userName })
        .from(users)
        .where(eq(users.id, userId))
        .get(),

    rename(userId: string, displayName: string): void {
      db.update(users).set({ displayName }).where(eq(users.id, userId)).run();
    },

    rolesOf: (userId: string): Role[] =>
      db
        .select({ role: userRoles.role })
        .from(userRoles)
        .where(eq(userRoles.userId, userId))
        .all()
        .map(({ role }) => role),

    /**
     * By what somebody signs in: students by a user name, all others by an address.
     * @throws Refused userNameTaken, emailTaken within the school; inputInvalid for what is neither
     */
    setSignInName(userId: string, name: string, isStudent: boolean): void {
      const read = v.safeParse(isStudent ? userNameSchema : emailSchema, name);
      if (!read.success) throw new Refused('inputInvalid', { fields: ['signInName'] });
      const person = db.select().from(users).where(eq(users.id, userId)).get();
      const column = isStudent ? users.userName : users.email;
      const other = db
        .select({ id: users.id })
        .from(users)
        .where(and(eq(users.schoolId, person?.schoolId ?? ''), eq(column, read.output), ne(users.id, userId)))
        .get();
      if (other) throw new Refused(isStudent ? 'userNameTaken' : 'emailTaken');
      db.update(users)
        .set(isStudent ? { userName: read.output } : { email: read.output })
        .where(eq(users.id, userId))
        .run();
    },

    setPassword(userId: string, passwordHash: string): void {
      db.update(users).set({ passwordHash }).where(eq(users.id, userId)).run();
    },

    putAwayFirstSteps(userId: string): void {
      db.update(users).set({ firstStepsPutAwayAt: clock() }).where(eq(users.id, userId)).run();
    },

    setRole(userId: string, role: Role, has: boolean): void {
      if (has) db.insert(userRoles).values({ userId, role }).onConflictDoNothing().run();
      else
        db.delete(userRoles)
          .where(and(eq(userRoles.userId, userId), eq(userRoles.role, role)))
          .run();
    },

    /** Who teaches at a school or looks after it, by name. */
    listStaff: (schoolId: string) =>
      db
        .select({
          ...{ id: users.id, displayName: users.displayName, email: sql<string>`coalesce(${users.email}, '')` },
          roles: sql`(select json_group_array(r.role) from user_roles r where r.user_id = users.id)`.mapWith(
            (json: string) => JSON.parse(json) as Role[],
          ),
          classCount: sql<number>`(select count(*) from class_teachers t join classes c on c.id = t.class_id
            where t.teacher_id = users.id and c.archived_at is null)`,
        })
        .from(users)
        .where(
          and(
            eq(users.schoolId, schoolId),
            inArray(
              users.id,
              db
                .select({ id: userRoles.userId })
                .from(userRoles)
                .where(inArray(userRoles.role, ['teacher', 'admin'])),
            ),
          ),
        )
        .orderBy(users.displayName)
        .all(),

    countStudents: (schoolId: string): number =>
      db
        .select({ count: sql<number>`count(*)` })
        .from(users)
        .innerJoin(userRoles, and(eq(userRoles.userId, users.id), eq(userRoles.role, 'student')))
        .where(and(eq(users.schoolId, schoolId), eq(users.isGuest, false)))
        .get()?.count ?? 0,

    hasSchool: (): boolean => db.select({ id: schools.id }).from(schools).limit(1).get() !== undefined,

    /** Takes away an account that nobody has done anything with: nothing was ever given to them. */
    removeIfUnused(userId: string): void {
      const isRecipient = db.select().from(recipients).where(eq(recipients.studentId, userId)).limit(1).get();
      if (!isRecipient) db.delete(users).where(eq(users.id, userId)).run();
    },
  };
}
