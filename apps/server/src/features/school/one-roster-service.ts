import { localDay, type SchoolDays } from '@semita/core/calendar';
import type { OneRosterPlan, SentOneRoster } from '@semita/core/contract';
import { isUserName, nextClassMark, userNameFor, writeOneRoster } from '@semita/core/roster';
import { and, eq, inArray, sql } from 'drizzle-orm';
import { classes, classStudents, classTeachers, externalIds, userRoles, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { zipTables } from '../../tables/zip-tables.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { Roster } from '../classes/roster.ts';

export type OneRosterService = ReturnType<typeof createOneRosterService>;

interface Options extends Pick<Deps, 'db' | 'newId' | 'bus' | 'clock'> {
  readonly accounts: AccountRepository;
  readonly roster: Roster;
  readonly security: Pick<SecurityLog, 'record'>;
  readonly schoolOf: (schoolId: string) => {
    readonly name: string;
    readonly timeZone: string;
    readonly locale: string;
  };
  readonly readDays: (actor: Actor) => readonly SchoolDays[];
}

type SentClass = SentOneRoster['classes'][number];
type SentPerson = SentOneRoster['people'][number];

/** In one transaction. */
const peopleAtOnce = 200;

const letOthers = () => new Promise((resolve) => setImmediate(resolve));

/** Packages of the system in which a school keeps its people and classes. */
export function createOneRosterService(options: Options) {
  const { db, newId, bus, clock, accounts, roster, security, schoolOf, readDays } = options;
  /** What is known of the school, read once. */
  const readSchool = (schoolId: string) => {
    const known = db.select().from(externalIds).where(eq(externalIds.schoolId, schoolId)).all();
    const people = db
      .select({
        ...{ id: users.id, displayName: users.displayName, userName: users.userName, email: users.email },
        isActive: sql`${users.deactivatedAt} is null`.mapWith(Boolean),
      })
      .from(users)
      .where(eq(users.schoolId, schoolId))
      .all();
    const students = new Set(
      db
        .select({ id: userRoles.userId })
        .from(userRoles)
        .innerJoin(users, eq(users.id, userRoles.userId))
        .where(and(eq(users.schoolId, schoolId), eq(userRoles.role, 'student')))
        .all()
        .map(({ id }) => id),
    );
    const list = db.select().from(classes).where(eq(classes.schoolId, schoolId)).all();
    const classIds = list.map(({ id }) => id);
    const members = db.select().from(classStudents).where(inArray(classStudents.classId, classIds)).all();
    const membersOf = new Map<string, string[]>();
    for (const { classId, studentId } of members)
      membersOf.set(classId, [...(membersOf.get(classId) ?? []), studentId]);
    return {
      people: new Map(people.map((person) => [person.id, person])),
      byUserName: new Map(people.flatMap((person) => (person.userName ? [[person.userName, person.id] as const] : []))),
      byEmail: new Map(people.flatMap((person) => (person.email ? [[person.email, person.id] as const] : []))),
      // What this school wrote itself calls them by their own ids.
      userIdOf: new Map([
        ...people.map(({ id }) => [id, id] as const),
        ...known.flatMap((row) => (row.userId ? [[row.externalId, row.userId] as const] : [])),
      ]),
      classIdOf: new Map([
        ...list.map(({ id }) => [id, id] as const),
        ...known.flatMap((row) => (row.classId ? [[row.externalId, row.classId] as const] : [])),
      ]),
      classes: new Map(list.map((one) => [one.id, one])),
      isStudent: (id: string) => students.has(id),
      membersOf: (classId: string) => membersOf.get(classId) ?? [],
    };
  };
  type School = ReturnType<typeof readSchool>;

  /** Whom of the school a person of the package is: by what the other system calls them, else by what they sign in with. */
  const findPerson = (school: School, { externalId, userName, email, isTeacher }: SentPerson): string | undefined => {
    const known = school.userIdOf.get(externalId);
    if (known !== undefined) return known;
    const found = isTeacher ? school.byEmail.get(email) : school.byUserName.get(userName);
    return found !== undefined && school.isStudent(found) !== isTeacher ? found : undefined;
  };

  const planOf = (school: School, sent: SentOneRoster): OneRosterPlan => {
    const ids = new Map(sent.people.map((person) => [person.externalId, findPerson(school, person)]));
    const isRenamed = (person: SentPerson, id: string) => school.people.get(id)?.displayName !== person.displayName;
    const known = sent.people.flatMap((person) => {
      const id = ids.get(person.externalId);
      return id === undefined ? [] : [{ person, id }];
    });
    const renamed = known.filter(({ person, id }) => isRenamed(person, id)).length;
    return {
      people: { added: sent.people.length - known.length, renamed, same: known.length - renamed },
      classes: sent.classes.map(({ externalId, name, studentIds }) => {
        const classId = school.classIdOf.get(externalId);
        const members = classId === undefined ? [] : school.membersOf(classId);
        const wanted = new Set(studentIds.map((id) => ids.get(id)));
        return {
          ...{ externalId, name, isNew: classId === undefined, studentCount: studentIds.length },
          coming: studentIds.filter((id) => !members.includes(ids.get(id) ?? '')).length,
          gone: members
            .filter((id) => !wanted.has(id))
            .map((id) => ({ id, displayName: school.people.get(id)?.displayName ?? '' })),
        };
      }),
    };
  };

  const takePeople = (
    schoolId: string,
    school: School,
    people: readonly SentPerson[],
    taken: Set<string>,
    idOf: Map<string, string>,
  ): void => {
    for (const person of people) {
      const { externalId, displayName, isTeacher } = person;
      const known = findPerson(school, person);
      if (known !== undefined && school.people.get(known)?.displayName !== displayName)
        accounts.rename(known, displayName);
      const id = known ?? add(schoolId, school, person, taken);
      if (known !== undefined && isTeacher) accounts.setRole(known, 'teacher', true);
      idOf.set(externalId, id);
      remember(schoolId, { externalId, kind: 'user', userId: id });
    }
  };

  /** Without a password: a teacher is invited by their e-mail, a student gets a card or a password from their teacher. */
  const add = (schoolId: string, school: School, person: SentPerson, taken: Set<string>): string => {
    const { displayName, email, isTeacher } = person;
    const base = { schoolId, displayName, passwordHash: null };
    if (isTeacher) {
      const isFree = email.includes('@') && !school.byEmail.has(email);
      return accounts.add({ ...base, ...(isFree ? { email } : {}), roles: ['teacher'] });
    }
    const isFree = isUserName(person.userName) && !school.byUserName.has(person.userName);
    const userName = isFree ? person.userName : userNameFor(displayName, (name) => taken.has(name));
    taken.add(userName);
    school.byUserName.set(userName, '');
    return accounts.add({ ...base, userName, roles: ['student'] });
  };

  const takeClass = (schoolId: string, school: School, sent: SentClass): string => {
    const { externalId, name } = sent;
    const known = school.classIdOf.get(externalId);
    if (known !== undefined) {
      db.update(classes).set({ name }).where(eq(classes.id, known)).run();
      return known;
    }
    const id = newId();
    const { timeZone, locale } = schoolOf(schoolId);
    const mark = nextClassMark([...school.classes.values()]);
    const row = { id, schoolId, name, timeZone, locale, ...mark };
    db.insert(classes).values(row).run();
    school.classes.set(id, {
      ...row,
      joinCode: null,
      joining: 'off',
      rosterVersion: 1,
      archivedAt: null,
      removedAt: null,
      meetings: [],
    });
    remember(schoolId, { externalId, kind: 'class', classId: id });
    return id;
  };

  const remember = (
    schoolId: string,
    row: { externalId: string; kind: 'user' | 'class'; userId?: string; classId?: string },
  ): void => {
    db.insert(externalIds)
      .values({ schoolId, ...row })
      .onConflictDoUpdate({
        target: [externalIds.schoolId, externalIds.kind, externalIds.externalId],
        set: { userId: row.userId ?? null, classId: row.classId ?? null },
      })
      .run();
  };

  return {
    plan: ({ schoolId }: Actor, sent: SentOneRoster): OneRosterPlan => planOf(readSchool(schoolId), sent),

    /** Staff, and who is in a class that is not put away, as a package for another system. */
    write(actor: Actor): Uint8Array {
      const { schoolId } = actor;
      const school = readSchool(schoolId);
      const today = localDay(clock(), schoolOf(schoolId).timeZone);
      const namedBy = (ids: ReadonlyMap<string, string>) => new Map([...ids].map(([external, id]) => [id, external]));
      const [userNames, classNames] = [namedBy(school.userIdOf), namedBy(school.classIdOf)];
      const userName = (id: string) => userNames.get(id) ?? id;
      const current = [...school.classes.values()].filter(
        ({ archivedAt, removedAt }) => archivedAt === null && removedAt === null,
      );
      const teachers = db
        .select()
        .from(classTeachers)
        .where(
          inArray(
            classTeachers.classId,
            current.map(({ id }) => id),
          ),
        )
        .all();
      const inClass = new Set(current.flatMap(({ id }) => school.membersOf(id)));
      const staff = new Map(accounts.listStaff(schoolId).map(({ id, roles }) => [id, roles]));
      const roleOf = (id: string) =>
        inClass.has(id) ? 'student' : staff.get(id)?.includes('teacher') ? 'teacher' : 'administrator';
      const people = [...school.people.values()].filter(({ id }) => inClass.has(id) || staff.has(id));
      const tables = writeOneRoster({
        ...{ id: schoolId, name: schoolOf(schoolId).name, schoolDays: readDays(actor), today },
        people: people.map(({ id, displayName, userName: signsInAs, email, isActive }) => ({
          ...{ externalId: userName(id), displayName, userName: signsInAs, email, isActive },
          role: roleOf(id),
        })),
        classes: current.map(({ id, name }) => ({
          ...{ externalId: classNames.get(id) ?? id, name, studentIds: school.membersOf(id).map(userName) },
          teacherIds: teachers.filter(({ classId }) => classId === id).map(({ teacherId }) => userName(teacherId)),
        })),
      });
      security.record('rosterExported', null, null, actor.id);
      return zipTables(tables);
    },

    /**
     * Some people after others, then one class after the other, so that nobody else waits for long. What was cut off is made
     * whole by taking the package again: nothing of it is doubled.
     * @returns what it came to
     */
    async take({ schoolId }: Actor, sent: SentOneRoster, takesOutGone: boolean): Promise<OneRosterPlan> {
      const school = readSchool(schoolId);
      const plan = planOf(school, sent);
      const taken = new Set([...school.byUserName.keys(), ...sent.people.map(({ userName }) => userName)]);
      const idOf = new Map<string, string>();
      for (let start = 0; start < sent.people.length; start += peopleAtOnce) {
        const some = sent.people.slice(start, start + peopleAtOnce);
        roster.together(() => takePeople(schoolId, school, some, taken, idOf));
        await letOthers();
      }
      for (const [index, one] of sent.classes.entries()) {
        const gone = takesOutGone ? (plan.classes[index]?.gone ?? []) : [];
        const teacherIds = one.teacherIds.flatMap((id) => idOf.get(id) ?? []);
        roster.together(() => {
          const classId = takeClass(schoolId, school, one);
          const members = new Set(school.membersOf(classId));
          for (const studentId of one.studentIds.flatMap((id) => idOf.get(id) ?? []))
            if (!members.has(studentId)) roster.add(classId, studentId);
          for (const { id } of gone) roster.remove(classId, id);
          for (const teacherId of teacherIds)
            db.insert(classTeachers).values({ classId, teacherId }).onConflictDoNothing().run();
        });
        for (const userId of teacherIds) bus.publish('rightsChanged', { userId });
        await letOthers();
      }
      return plan;
    },
  };
}
