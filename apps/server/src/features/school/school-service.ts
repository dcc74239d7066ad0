import { randomInt } from 'node:crypto';
import type { SchoolDays } from '@semita/core/calendar';
import type { School, SchoolSettings } from '@semita/core/contract';
import { makeJoinCode, showJoinCode } from '@semita/core/roster';
import { asc, eq, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { schoolDays, schools } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { Invitations } from './invitations.ts';

export type SchoolService = ReturnType<typeof createSchoolService>;

interface Options extends Pick<Deps, 'db' | 'bus' | 'newId'> {
  readonly accounts: AccountRepository;
  readonly invitations: Pick<Invitations, 'list'>;
  readonly classes: Pick<ClassRepository, 'listOfSchool'>;
  readonly security: SecurityLog;
}

/** A school, for whoever looks after it. */
export function createSchoolService({ db, bus, newId, accounts, invitations, classes, security }: Options) {
  const get = (schoolId: string) => found(db.select().from(schools).where(eq(schools.id, schoolId)).get());
  /** Files of the same content lie there once, and are counted for each who has them. */
  const spaceOf = (schoolId: string): School['space'] =>
    db.get<School['space']>(sql`select
      (select coalesce(sum(byte_length), 0) from materials where school_id = ${schoolId}) as materials,
      (select coalesce(sum(f.byte_length), 0) from answer_files f join attempts a on a.id = f.attempt_id
        join assignments s on s.id = a.assignment_id where s.school_id = ${schoolId}) as answers`);

  return {
    get,

    read({ schoolId }: Actor): School {
      const { name, timeZone, locale, teacherCode, keptMonths, quietFrom, quietUntil } = get(schoolId);
      return {
        ...{ name, timeZone, locale, teacherCode: teacherCode && showJoinCode(teacherCode) },
        staff: accounts.listStaff(schoolId),
        studentCount: accounts.countStudents(schoolId),
        ...{ keptMonths, quietFrom, quietUntil },
        space: spaceOf(schoolId),
        classes: classes.listOfSchool(schoolId),
        invitations: invitations.list(schoolId),
      };
    },

    change({ schoolId }: Actor, settings: SchoolSettings): void {
      if (Object.keys(settings).length > 0) db.update(schools).set(settings).where(eq(schools.id, schoolId)).run();
    },

    readDays: ({ schoolId }: Actor): SchoolDays[] => {
      const { title, kind, firstDay, lastDay } = schoolDays;
      return db
        .select({ title, kind, firstDay, lastDay })
        .from(schoolDays)
        .where(eq(schoolDays.schoolId, schoolId))
        .orderBy(asc(firstDay), asc(title))
        .all();
    },

    changeDays({ schoolId }: Actor, days: readonly SchoolDays[]): void {
      inTransaction(db, () => {
        db.delete(schoolDays).where(eq(schoolDays.schoolId, schoolId)).run();
        if (days.length > 0)
          db.insert(schoolDays)
            .values(days.map((one) => ({ ...one, id: newId(), schoolId })))
            .run();
      });
    },

    setTeacherCode({ schoolId }: Actor, isOn: boolean): void {
      const teacherCode = isOn ? makeJoinCode(randomInt) : null;
      db.update(schools).set({ teacherCode }).where(eq(schools.id, schoolId)).run();
    },

    /** @throws Refused notFound for whom is not staff of the school; lastAdmin when nobody would look after it */
    setAdmin(actor: Actor, userId: string, isAdmin: boolean): void {
      const staff = accounts.listStaff(actor.schoolId);
      const person = found(staff.find(({ id }) => id === userId));
      const others = staff.filter(({ id, roles }) => id !== userId && roles.includes('admin'));
      if (!isAdmin && others.length === 0) throw new Refused('lastAdmin');
      // Somebody who only looks after the school would be nothing any more.
      if (!isAdmin && !person.roles.includes('teacher')) accounts.setRole(userId, 'teacher', true);
      accounts.setRole(userId, 'admin', isAdmin);
      security.record('rolesChanged', userId, isAdmin ? 'admin' : 'notAdmin', actor.id);
      bus.publish('rightsChanged', { userId });
    },

    /** Teachers of the school but the asker. */
    listColleagues: (actor: Actor) =>
      accounts
        .listStaff(actor.schoolId)
        .filter(({ id, roles }) => id !== actor.id && roles.includes('teacher'))
        .map(({ id, displayName }) => ({ id, displayName })),
  };
}
