import { randomInt } from 'node:crypto';
import { endOfDay, toInstant } from '@semita/core/calendar';
import type { ClassSettings, FirstSignIn, MadeCard, StudentSettings } from '@semita/core/contract';
import { makeJoinCode, nameKey, nextClassMark, showJoinCode } from '@semita/core/roster';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { ClassRelations } from '../access/class-relations.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import { createFirstPassword } from '../accounts/first-password.ts';
import { hashPassword } from '../accounts/password.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor, SessionService } from '../accounts/session-service.ts';
import type { SignInCards } from '../accounts/sign-in-cards.ts';
import type { ClassRepository } from './class-repository.ts';
import type { Roster } from './roster.ts';

export type ClassService = ReturnType<typeof createClassService>;

interface Options extends Pick<Deps, 'clock' | 'newId' | 'bus'> {
  readonly repository: ClassRepository;
  readonly roster: Roster;
  readonly relations: ClassRelations;
  readonly accounts: AccountRepository;
  readonly cards: SignInCards;
  readonly sessions: Pick<SessionService, 'signOutEverywhere'>;
  readonly security: SecurityLog;
  readonly schoolOf: (schoolId: string) => { readonly timeZone: string; readonly locale: string };
  /** What was given to a class says what it, its groups and students are called. */
  readonly forgetGiven: (classId: string) => void;
  readonly listColleagues: (actor: Actor) => readonly { readonly id: string }[];
}

/** Classes, and the people in them. Who may is asked at the door. */
export function createClassService(options: Options) {
  const { clock, newId, bus, repository, roster, relations, accounts, cards, sessions, security } = options;
  const { schoolOf, listColleagues, forgetGiven } = options;

  /** @throws Refused notFound, unless all of them are in the class */
  const studentsIn = (classId: string, studentIds: readonly string[]) => {
    const byId = new Map(repository.listStudents(classId).map((student) => [student.id, student]));
    return [...new Set(studentIds)].map((id) => found(byId.get(id)));
  };

  const rightsChanged = (userId: string) => bus.publish('rightsChanged', { userId });

  return {
    list(actor: Actor) {
      const { taught, substituted } = relations.of(actor.id);
      return repository
        .list([...taught, ...substituted])
        .map((one) => ({ ...one, standsIn: !taught.has(one.id) }))
        .filter(({ isArchived, standsIn }) => !(isArchived && standsIn));
    },

    listRosters: (actor: Actor) => repository.listRosters([...relations.taughtBy(actor.id)]),

    read(actor: Actor, classId: string) {
      const { archivedAt, joinCode, meetings, ...facts } = found(repository.find(classId));
      const { waiting, ...staff } = repository.listOthers(classId, clock());
      const runs = staff.teachers.some(({ id }) => id === actor.id);
      return {
        ...facts,
        meetings: [...(meetings ?? [])],
        isArchived: archivedAt !== null,
        // Who stands in lets nobody in.
        joinCode: runs && joinCode !== null ? showJoinCode(joinCode) : null,
        runs,
        ...staff,
        students: repository.listStudents(classId),
        waiting: runs ? waiting : [],
      };
    },

    create(actor: Actor, name: string): { id: string } {
      const { timeZone, locale } = schoolOf(actor.schoolId);
      const mark = nextClassMark(repository.list([...relations.taughtBy(actor.id)]));
      const id = newId();
      repository.insert({ id, schoolId: actor.schoolId, name, timeZone, locale, ...mark }, actor.id);
      return { id };
    },

    change(classId: string, { isArchived, joining, ...settings }: ClassSettings): void {
      const { joinCode } = found(repository.find(classId));
      repository.change(classId, {
        ...settings,
        ...(isArchived === undefined ? {} : { archivedAt: isArchived ? clock() : null }),
        ...(joining === undefined ? {} : { joining, joinCode: joinCode ?? makeJoinCode(randomInt) }),
        // Nobody comes into a class that is put away.
        ...(isArchived ? { joining: 'off' as const } : {}),
      });
      forgetGiven(classId);
    },

    /**
     * Puts it away and lets it go after thirty days, unless it is brought back.
     * @param name as it is typed, so that it is this one that is meant
     * @throws Refused nameNotSame
     */
    remove(actor: Actor, classId: string, typed: string): void {
      const { name, archivedAt } = found(repository.find(classId));
      if (nameKey(typed) !== nameKey(name)) throw new Refused('nameNotSame');
      const at = clock();
      repository.change(classId, { archivedAt: archivedAt ?? at, removedAt: at, joining: 'off' });
      security.record('classRemoved', null, classId, actor.id);
      forgetGiven(classId);
    },

    /** As it was: what was put away before stays put away. */
    bringBack(actor: Actor, classId: string): void {
      const { archivedAt, removedAt } = found(repository.find(classId));
      repository.change(classId, { removedAt: null, archivedAt: archivedAt === removedAt ? null : archivedAt });
      security.record('classBroughtBack', null, classId, actor.id);
      forgetGiven(classId);
    },

    renewJoinCode(classId: string): void {
      repository.change(classId, { joinCode: makeJoinCode(randomInt) });
    },

    changeStudent(
      classId: string,
      studentId: string,
      { displayName, extraTime, groups, groupsBefore }: StudentSettings,
    ): void {
      const [student] = studentsIn(classId, [studentId]);
      if (groupsBefore && !isSame(groupsBefore, student?.groups ?? [])) throw new Refused('rosterMoved');
      if (displayName !== undefined && displayName !== student?.displayName) {
        accounts.rename(studentId, displayName);
        forgetGiven(classId);
      }
      if (extraTime !== undefined) repository.setExtraTime(classId, studentId, extraTime);
      if (groups !== undefined) roster.setGroups(classId, studentId, groups);
    },

    removeStudent(classId: string, studentId: string): void {
      if (!roster.remove(classId, studentId)) throw new Refused('notFound');
    },

    /**
     * What they have done stays in both classes' records: nobody is taken out of what was given to them.
     * @throws Refused notFound when the actor does not run the other class
     */
    moveStudent(actor: Actor, classId: string, studentId: string, toClassId: string): void {
      if (!relations.taughtBy(actor.id).has(toClassId) || toClassId === classId) throw new Refused('notFound');
      const [student] = studentsIn(classId, [studentId]);
      roster.together(() => {
        roster.remove(classId, studentId);
        roster.add(toClassId, studentId);
        if (student) repository.setExtraTime(toClassId, studentId, student.extraTime);
      });
    },

    putIntoGroups(
      classId: string,
      groups: readonly { readonly name: string; readonly studentIds: readonly string[] }[],
    ): void {
      studentsIn(
        classId,
        groups.flatMap(({ studentIds }) => studentIds),
      );
      roster.together(() => {
        for (const { name, studentIds } of groups)
          for (const studentId of new Set(studentIds)) roster.add(classId, studentId, [name]);
      });
    },

    /** Passwords that replace those of some students, who are signed out everywhere; they are kept nowhere. */
    async givePasswords(actor: Actor, classId: string, studentIds: readonly string[]): Promise<FirstSignIn[]> {
      const students = studentsIn(classId, studentIds);
      const given = await Promise.all(
        students.map(async ({ id: studentId, displayName, userName }) => {
          const password = createFirstPassword();
          return { first: { studentId, displayName, userName, password }, hash: await hashPassword(password) };
        }),
      );
      for (const { first, hash } of given) {
        accounts.setPassword(first.studentId, hash);
        security.record('passwordGiven', first.studentId, null, actor.id);
        sessions.signOutEverywhere(first.studentId, 'passwordGiven');
      }
      return given.map(({ first }) => first);
    },

    makeCards: async (actor: Actor, classId: string, studentIds: readonly string[]): Promise<MadeCard[]> =>
      cards.make(actor.schoolId, studentsIn(classId, studentIds)),

    revokeCard(classId: string, studentId: string): void {
      studentsIn(classId, [studentId]);
      cards.revoke(studentId);
    },

    /** @throws Refused notFound for whom is no teacher of the school */
    addTeacher(actor: Actor, classId: string, teacherId: string): void {
      found(listColleagues(actor).find(({ id }) => id === teacherId));
      repository.addTeacher(classId, teacherId);
      rightsChanged(teacherId);
    },

    /** @throws Refused lastTeacher: a class is never without */
    removeTeacher(classId: string, teacherId: string): void {
      const { teachers } = repository.listOthers(classId, clock());
      found(teachers.find(({ id }) => id === teacherId));
      if (teachers.length === 1) throw new Refused('lastTeacher');
      repository.removeTeacher(classId, teacherId);
      rightsChanged(teacherId);
    },

    /** From the beginning of a day to the end of another, `2026-12-01`. @throws Refused notFound, windowOutOfOrder */
    addSubstitute(actor: Actor, classId: string, input: { teacherId: string; from: string; until: string }): void {
      found(listColleagues(actor).find(({ id }) => id === input.teacherId));
      if (relations.taughtBy(input.teacherId).has(classId))
        throw new Refused('inputInvalid', { fields: ['teacherId'] });
      const { timeZone } = found(repository.find(classId));
      const since = toInstant(`${input.from}T00:00`, timeZone);
      const until = endOfDay(input.until, timeZone) + 1_000;
      if (until <= since || until <= clock()) throw new Refused('windowOutOfOrder', { fault: 'closesBeforeOpens' });
      repository.addSubstitute({ id: newId(), classId, teacherId: input.teacherId, since, until });
      rightsChanged(input.teacherId);
    },

    removeSubstitute(classId: string, substitutionId: string): void {
      rightsChanged(found(repository.endSubstitution(classId, substitutionId, clock())));
    },
  };
}

const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((name) => b.includes(name));
