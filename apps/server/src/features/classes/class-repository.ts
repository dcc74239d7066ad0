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
        })
        .from(classStudents)
        .innerJoin(users, eq(users.id, classStudents.studentId))
        .where(eq(classStudents.classId, classId))
        .orderBy(asc(users.displayName))
        .all()
        .map((student) => ({ ...student, userName: student.userName ?? '' }));
    },

    changeClass(classId: string, settings: ClassSettings): void {
      db.update(classes).set(settings).where(eq(classes.id, classId)).run();
    },

    /** @returns whether there is such a student in the class */
    changeStudent(classId: string, studentId: string, settings: StudentSettings): boolean {
      const place = and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));
      return db.update(classStudents).set(settings).where(place).run().changes > 0;
    },

    /** How much longer a student has for what is timed, as a factor. */
    findExtraTime(classId: string, studentId: string): number {
      const place = and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));
      const row = db.select({ extraTime: classStudents.extraTime }).from(classStudents).where(place).get();
      return row?.extraTime ?? 1;
    },
  };
}
