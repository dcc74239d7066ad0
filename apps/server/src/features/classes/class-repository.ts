import type { ClassSettings, StudentSettings } from '@semita/core/contract';
import { and, asc, count, eq } from 'drizzle-orm';
import { classes, classStudents, classTeachers, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type ClassRepository = ReturnType<typeof createClassRepository>;

/** Classes as their teachers see them: one that somebody else teaches is not found. */
export function createClassRepository({ db }: Pick<Deps, 'db'>) {
  const taughtBy = (actor: Actor) => and(eq(classTeachers.classId, classes.id), eq(classTeachers.teacherId, actor.id));

  return {
    listTaught(actor: Actor) {
      return db
        .select({
          id: classes.id,
          name: classes.name,
          timeZone: classes.timeZone,
          studentCount: count(classStudents.studentId),
        })
        .from(classes)
        .innerJoin(classTeachers, taughtBy(actor))
        .leftJoin(classStudents, eq(classStudents.classId, classes.id))
        .groupBy(classes.id)
        .orderBy(asc(classes.name))
        .all();
    },

    findTaught(actor: Actor, classId: string) {
      return db
        .select({ id: classes.id, name: classes.name, timeZone: classes.timeZone, locale: classes.locale })
        .from(classes)
        .innerJoin(classTeachers, taughtBy(actor))
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
          groups: classStudents.groups,
        })
        .from(classStudents)
        .innerJoin(users, eq(users.id, classStudents.studentId))
        .where(eq(classStudents.classId, classId))
        .orderBy(asc(users.displayName))
        .all()
        .map((student) => ({ ...student, userName: student.userName ?? '', groups: [...student.groups] }));
    },

    changeClass(classId: string, settings: ClassSettings): void {
      db.update(classes).set(settings).where(eq(classes.id, classId)).run();
    },

    /** @returns whether there is such a student in the class */
    changeStudent(classId: string, studentId: string, settings: StudentSettings): boolean {
      const place = and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));
      return db.update(classStudents).set(settings).where(place).run().changes > 0;
    },

    listGroups(actor: Actor): string[] {
      const rows = db
        .select({ groups: classStudents.groups })
        .from(classStudents)
        .innerJoin(classes, eq(classes.id, classStudents.classId))
        .innerJoin(classTeachers, taughtBy(actor))
        .all();
      return [...new Set(rows.flatMap(({ groups }) => groups))].toSorted((a, b) => a.localeCompare(b));
    },

    /** What of a class a student begins with: how much longer they have, as a factor, and the groups they are in. */
    findPlace(classId: string, studentId: string): { extraTime: number; groups: readonly string[] } {
      const place = and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));
      return (
        db
          .select({ extraTime: classStudents.extraTime, groups: classStudents.groups })
          .from(classStudents)
          .where(place)
          .get() ?? { extraTime: 1, groups: [] }
      );
    },
  };
}
