import { groupBy } from '@semita/core/elements';
import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm';
import {
  classes,
  classStudents,
  classTeachers,
  groupMembers,
  groups,
  joinRequests,
  signInCards,
  substitutions,
  users,
} from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type ClassRepository = ReturnType<typeof createClassRepository>;

/** Of a class in a statement: whether somebody teaches it. */
export const isTaughtBy = (teacherId: string) =>
  sql`exists (select 1 from ${classTeachers} where ${classTeachers.classId} = ${classes.id} and ${classTeachers.teacherId} = ${teacherId})`.mapWith(
    Boolean,
  );

/** Classes, their students and groups. Who may see them is asked at the door. */
export function createClassRepository({ db }: Pick<Deps, 'db'>) {
  /** Names of the groups of one student in one class, as a list in JSON. */
  const groupNames = sql<string>`(select json_group_array(name) from (select g.name as name from group_members m
    join groups g on g.id = m.group_id where m.student_id = "class_students"."student_id"
    and g.class_id = "class_students"."class_id" order by g.name))`;
  const readNames = (json: string) => JSON.parse(json) as string[];

  interface OtherRow {
    readonly kind: 'teaches' | 'standsIn' | 'waits';
    readonly id: string;
    readonly userId: string;
    readonly displayName: string;
    readonly userName: string;
    readonly since: number;
    readonly until: number;
  }
  const others = db.$client.prepare(
    `select o.*, u.display_name as displayName, coalesce(u.user_name, '') as userName from (
       select 'teaches' as kind, teacher_id as id, teacher_id as userId, 0 as since, 0 as until
         from class_teachers where class_id = @classId
       union all select 'standsIn', id, teacher_id, since, until from substitutions where class_id = @classId and until > @now
       union all select 'waits', student_id, student_id, at, 0 from join_requests where class_id = @classId
     ) o join users u on u.id = o.userId order by o.since, u.display_name`,
  );

  return {
    list: (classIds: readonly string[]) =>
      db
        .select({
          ...{ id: classes.id, name: classes.name, shape: classes.shape, colour: classes.colour },
          timeZone: classes.timeZone,
          studentCount: sql<number>`(select count(*) from class_students s where s.class_id = ${classes.id})`,
          waitingCount: sql<number>`(select count(*) from join_requests j where j.class_id = ${classes.id})`,
          isArchived: sql`${classes.archivedAt} is not null`.mapWith(Boolean),
          removedAt: classes.removedAt,
        })
        .from(classes)
        .where(inArray(classes.id, [...classIds]))
        .orderBy(asc(classes.name))
        .all(),

    /** All classes of a school, for whoever looks after it. */
    listOfSchool: (schoolId: string) =>
      db
        .select({
          ...{ id: classes.id, name: classes.name, shape: classes.shape, colour: classes.colour },
          teacherNames: sql`(select json_group_array(name) from (select u.display_name as name from class_teachers t
            join users u on u.id = t.teacher_id where t.class_id = "classes"."id" order by u.display_name))`.mapWith(
            readNames,
          ),
          studentCount: sql<number>`(select count(*) from class_students s where s.class_id = "classes"."id")`,
          isArchived: sql`${classes.archivedAt} is not null`.mapWith(Boolean),
          removedAt: classes.removedAt,
        })
        .from(classes)
        .where(eq(classes.schoolId, schoolId))
        .orderBy(asc(classes.name))
        .all(),

    find: (classId: string) => db.select().from(classes).where(eq(classes.id, classId)).get(),

    /** Of some classes those that are not put away. */
    currentAmong: (classIds: Iterable<string>): string[] =>
      db
        .select({ id: classes.id })
        .from(classes)
        .where(and(inArray(classes.id, [...classIds]), isNull(classes.archivedAt)))
        .all()
        .map(({ id }) => id),

    /** Classes that are not put away, with their students and groups. */
    listRosters(classIds: readonly string[]) {
      const list = db
        .select()
        .from(classes)
        .where(and(inArray(classes.id, [...classIds]), isNull(classes.archivedAt)))
        .orderBy(asc(classes.name))
        .all();
      const ids = list.map(({ id }) => id);
      const students = db
        .select({
          ...{ classId: classStudents.classId, id: users.id, displayName: users.displayName },
          extraTime: classStudents.extraTime,
        })
        .from(classStudents)
        .innerJoin(users, eq(users.id, classStudents.studentId))
        .where(inArray(classStudents.classId, ids))
        .orderBy(asc(users.displayName))
        .all();
      const members = db
        .select({
          ...{ classId: groups.classId, id: groups.id, name: groups.name },
          studentIds: sql`json_group_array(${groupMembers.studentId})`.mapWith(readNames),
        })
        .from(groups)
        .innerJoin(groupMembers, eq(groupMembers.groupId, groups.id))
        .where(inArray(groups.classId, ids))
        .groupBy(groups.id)
        .orderBy(asc(groups.name))
        .all();
      const studentsOf = groupBy(students, ({ classId }) => classId);
      const groupsOf = groupBy(members, ({ classId }) => classId);
      return list.map(({ id, name, shape, colour, timeZone, locale, meetings }) => ({
        ...{ id, name, shape, colour, timeZone, locale, meetings: [...(meetings ?? [])] },
        students: [...(studentsOf.get(id) ?? [])],
        groups: [...(groupsOf.get(id) ?? [])],
      }));
    },

    insert(row: typeof classes.$inferInsert, teacherId: string): void {
      db.insert(classes).values(row).run();
      db.insert(classTeachers).values({ classId: row.id, teacherId }).run();
    },

    /** Whoever has a code: the class it is of. */
    findByCode: (joinCode: string) => db.select().from(classes).where(eq(classes.joinCode, joinCode)).get(),

    listStudents(classId: string) {
      return db
        .select({
          id: users.id,
          displayName: users.displayName,
          userName: users.userName,
          extraTime: classStudents.extraTime,
          groups: groupNames,
          hasCard: sql`${signInCards.userId} is not null`.mapWith(Boolean),
        })
        .from(classStudents)
        .innerJoin(users, eq(users.id, classStudents.studentId))
        .leftJoin(signInCards, eq(signInCards.userId, users.id))
        .where(eq(classStudents.classId, classId))
        .orderBy(asc(users.displayName))
        .all()
        .map((student) => ({ ...student, userName: student.userName ?? '', groups: readNames(student.groups) }));
    },

    change(classId: string, changed: Partial<typeof classes.$inferInsert>): void {
      if (Object.keys(changed).length > 0) db.update(classes).set(changed).where(eq(classes.id, classId)).run();
    },

    /**
     * Everybody besides the students of a class, in one statement: its teachers; who stands in, or will, for those whose
     * days are over are history; who asks to be let in.
     */
    listOthers(classId: string, now: number) {
      const rows = others.all({ classId, now }) as OtherRow[];
      const person = ({ userId: id, displayName }: OtherRow) => ({ id, displayName });
      return {
        teachers: rows.filter(({ kind }) => kind === 'teaches').map(person),
        substitutes: rows
          .filter(({ kind }) => kind === 'standsIn')
          .map(({ id, userId: teacherId, displayName, since, until }) => ({
            id,
            teacherId,
            displayName,
            since,
            until,
          })),
        waiting: rows
          .filter(({ kind }) => kind === 'waits')
          .map((row) => ({ ...person(row), userName: row.userName, at: row.since })),
      };
    },

    addTeacher(classId: string, teacherId: string): void {
      db.insert(classTeachers).values({ classId, teacherId }).onConflictDoNothing().run();
    },

    removeTeacher(classId: string, teacherId: string): void {
      db.delete(classTeachers)
        .where(and(eq(classTeachers.classId, classId), eq(classTeachers.teacherId, teacherId)))
        .run();
    },

    addSubstitute(row: typeof substitutions.$inferInsert): void {
      db.insert(substitutions).values(row).run();
    },

    /** Ends it now; what they did in the meantime stays theirs. @returns who stood in */
    endSubstitution(classId: string, id: string, now: number): string | undefined {
      const place = and(eq(substitutions.id, id), eq(substitutions.classId, classId));
      return db.update(substitutions).set({ until: now }).where(place).returning().get()?.teacherId;
    },

    addRequest(classId: string, studentId: string, at: number): void {
      db.insert(joinRequests).values({ classId, studentId, at }).onConflictDoNothing().run();
    },

    /** @returns whether somebody asked */
    removeRequest(classId: string, studentId: string): boolean {
      const place = and(eq(joinRequests.classId, classId), eq(joinRequests.studentId, studentId));
      return db.delete(joinRequests).where(place).run().changes > 0;
    },

    /** Whether somebody is in a class, or asks to be let into one. */
    isAnywhere: (studentId: string): boolean =>
      db
        .select({ one: classStudents.classId })
        .from(classStudents)
        .where(eq(classStudents.studentId, studentId))
        .limit(1)
        .get() !== undefined ||
      db.select().from(joinRequests).where(eq(joinRequests.studentId, studentId)).limit(1).get() !== undefined,

    /** @returns whether there is such a student in the class */
    setExtraTime(classId: string, studentId: string, extraTime: number): boolean {
      const place = and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));
      return db.update(classStudents).set({ extraTime }).where(place).run().changes > 0;
    },

    /** Names of the groups of some classes that somebody is in. */
    listGroups(classIds: readonly string[]): string[] {
      return db
        .selectDistinct({ name: groups.name })
        .from(groups)
        .innerJoin(groupMembers, eq(groupMembers.groupId, groups.id))
        .where(inArray(groups.classId, [...classIds]))
        .all()
        .map(({ name }) => name)
        .toSorted((a, b) => a.localeCompare(b));
    },

    /** The clock of a class, and whether somebody teaches it. */
    findTaught: (classId: string, teacherId: string): { timeZone: string; runs: boolean } | undefined =>
      db
        .select({
          timeZone: classes.timeZone,
          runs: isTaughtBy(teacherId),
        })
        .from(classes)
        .where(eq(classes.id, classId))
        .get(),

    isIn(classId: string, studentId: string): boolean {
      const place = and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));
      return db.select({ id: classStudents.studentId }).from(classStudents).where(place).get() !== undefined;
    },

    findGroup: (groupId: string) => db.select().from(groups).where(eq(groups.id, groupId)).get(),

    /** What of a class a student begins with: how much longer they have, as a factor, and the groups they are in. */
    findPlace(classId: string, studentId: string): { extraTime: number; groups: readonly string[] } {
      const place = and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));
      const row = db
        .select({ extraTime: classStudents.extraTime, groups: groupNames })
        .from(classStudents)
        .where(place)
        .get();
      return row ? { extraTime: row.extraTime, groups: readNames(row.groups) } : { extraTime: 1, groups: [] };
    },
  };
}
