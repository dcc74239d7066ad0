import type { BodyOf, Joinable, routes } from '@semita/core/contract';
import { readJoinCode } from '@semita/core/roster';
import { eq } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { schools } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import type { GuessingGuard } from '../accounts/guessing-guard.ts';
import { hashPassword } from '../accounts/password.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from './class-repository.ts';
import type { Roster } from './roster.ts';

export type Joining = ReturnType<typeof createJoining>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'bus'> {
  readonly classes: ClassRepository;
  readonly accounts: AccountRepository;
  readonly roster: Roster;
  readonly security: SecurityLog;
  readonly guess: GuessingGuard;
}

/** Coming into a class, or as a teacher into a school, by a code. */
export function createJoining({ db, clock, bus, classes, accounts, roster, security, guess }: Options) {
  /** @throws Refused codeUnknown, the same for one that never was and one that was renewed; codeOff */
  const findClass = (text: string) => {
    const code = readJoinCode(text);
    const one = code === null ? undefined : classes.findByCode(code);
    if (!one) throw new Refused('codeUnknown');
    if (one.joining === 'off' || one.archivedAt !== null) throw new Refused('codeOff');
    return one;
  };
  const findSchool = (text: string) => {
    const code = readJoinCode(text);
    return code === null ? undefined : db.select().from(schools).where(eq(schools.teacherCode, code)).get();
  };

  /** At once, or after the teacher has let them in, as the class is set. */
  const comeIn = (oneClass: ReturnType<typeof findClass>, studentId: string) => {
    if (classes.isIn(oneClass.id, studentId)) return;
    if (oneClass.joining === 'open') roster.add(oneClass.id, studentId);
    else classes.addRequest(oneClass.id, studentId, clock());
  };

  return {
    /** What somebody who has a code is shown; never who is in the class. */
    look: (text: string, address: string): Promise<Joinable> =>
      guess(address, () => {
        const school = findSchool(text);
        if (school) return { kind: 'school', schoolName: school.name };
        const { schoolId, name, shape, colour, joining } = findClass(text);
        const { name: schoolName } = found(db.select().from(schools).where(eq(schools.id, schoolId)).get());
        return { kind: 'class', name, schoolName, shape, colour, asks: joining === 'asks' };
      }),

    /** @throws Refused codeUnknown, codeOff, signInThrottled; otherSchool for a student of another one */
    join: (actor: Actor, text: string, address: string): Promise<void> =>
      guess(address, () => {
        const one = findClass(text);
        if (one.schoolId !== actor.schoolId) throw new Refused('otherSchool');
        comeIn(one, actor.id);
      }),

    /** @returns the new student; @throws Refused codeUnknown, codeOff, signInThrottled, userNameTaken */
    async joinAsNew(input: BodyOf<(typeof routes)['joinAsNew']>, address: string): Promise<string> {
      await guess(address, () => findClass(input.code));
      const passwordHash = await hashPassword(input.password);
      const { displayName, userName } = input;
      const studentId = roster.together(() => {
        const one = findClass(input.code);
        const { schoolId } = one;
        const id = accounts.add({ schoolId, displayName, userName, passwordHash, roles: ['student'] });
        comeIn(one, id);
        return id;
      });
      security.record('joinedSchool', studentId, 'classCode');
      return studentId;
    },

    /** @returns the new teacher; @throws Refused codeUnknown, signInThrottled, emailTaken */
    async joinAsTeacher(input: BodyOf<(typeof routes)['joinAsTeacher']>, address: string): Promise<string> {
      const find = () => {
        const school = findSchool(input.code);
        if (!school) throw new Refused('codeUnknown');
        return school.id;
      };
      await guess(address, find);
      const passwordHash = await hashPassword(input.password);
      const { displayName, email } = input;
      const teacherId = inTransaction(db, () =>
        accounts.add({ schoolId: find(), displayName, email, passwordHash, roles: ['teacher'] }),
      );
      security.record('joinedSchool', teacherId, 'teacherCode');
      return teacherId;
    },

    /** Lets in who asked, or turns them away; an account that was made for asking, and is nowhere else, goes. */
    answer(classId: string, studentId: string, letIn: boolean): void {
      roster.together(() => {
        if (!classes.removeRequest(classId, studentId)) throw new Refused('notFound');
        if (letIn) roster.add(classId, studentId);
        else if (!classes.isAnywhere(studentId)) accounts.removeIfUnused(studentId);
      });
      bus.publish('rightsChanged', { userId: studentId });
    },
  };
}
