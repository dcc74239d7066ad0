import type { ClassSettings } from '@semita/core/contract';
import { and, asc, count, eq, inArray, sql } from 'drizzle-orm';
import { classes, classStudents, groupMembers, groups, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type ClassRepository = ReturnType<typeof createClassRepository>;

/** Classes, their students and groups. Who may see them is asked at the door. */
export function createClassRepository({ db }: Pick<Deps, 'db'>) {
  /** Names of the groups of one student in one class, as a list in JSON. */
  const groupNames = sql<string>`(select json_group_array(name) from (select g.name as name from group_members m
    join groups g on g.id = m.group_id where m.student_id = "class_students"."student_id"
    and g.class_id = "class_students"."class_id" order by g.name))`;
  const readNames = (json: string) => JSON.parse(json) as string[];

  return {
    list(classIds: readonly string[]) {
      return db
        .select({
          id: classes.id,
          name: classes.name,
          timeZone: classes.timeZone,
          studentCount: count(classStudents.studentId),
        })
        .from(classes)
        .leftJoin(classStudents, eq(classStudents.classId, classes.id))
        .where(inArray(classes.id, [...classIds]))
        .groupBy(classes.id)
        .orderBy(asc(classes.name))
        .all();
    },

    find(classId: string) {
      return db
        .select({ id: classes.id, name: classes.name, timeZone: classes.timeZone, locale: classes.locale })
        .from(classes)
        .where(eq(classes.id, classId))
        .get();
    },

    listStudents(classId: string) {
      return db
        .select({
          id: users.id,
          displayName: users.displayName,
          userName: users.userName,
          extraTime: classStudents.extraTime,
          groups: groupNames,
        })
        .from(classStudents)
        .innerJoin(users, eq(users.id, classStudents.studentId))
        .where(eq(classStudents.classId, classId))
        .orderBy(asc(users.displayName))
        .all()
        .map((student) => ({ ...student, userName: student.userName ?? '', groups: readNames(student.groups) }));
    },

    changeClass(classId: string, settings: ClassSettings): void {
      db.update(classes).set(settings).where(eq(classes.id, classId)).run();
    },

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
