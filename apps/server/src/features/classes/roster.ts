import { and, eq, inArray, notInArray, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { addressees, classes, classStudents, groupMembers, groups, joinRequests } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type Roster = ReturnType<typeof createRoster>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId' | 'bus'> {
  /** What was given follows the class and groups a student is in, in the same transaction; says which of it. */
  readonly followStudent: (classId: string, studentId: string, at: number) => readonly string[];
}

/** The one way to change who is in a class and in its groups: what was given follows. */
export function createRoster({ db, clock, newId, bus, followStudent }: Options) {
  const placeOf = (classId: string, studentId: string) =>
    and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId));

  const groupsOf = (classId: string) => db.select({ id: groups.id }).from(groups).where(eq(groups.classId, classId));

  const groupIdOf = (classId: string, name: string): string => {
    db.insert(groups).values({ id: newId(), classId, name }).onConflictDoNothing().run();
    const place = and(eq(groups.classId, classId), eq(groups.name, name));
    return db.select({ id: groups.id }).from(groups).where(place).get()?.id ?? '';
  };

  const putIntoGroups = (classId: string, studentId: string, names: readonly string[]) => {
    const groupIds = names.map((name) => groupIdOf(classId, name));
    db.delete(groupMembers)
      .where(
        and(
          eq(groupMembers.studentId, studentId),
          inArray(groupMembers.groupId, groupsOf(classId)),
          notInArray(groupMembers.groupId, groupIds),
        ),
      )
      .run();
    for (const groupId of groupIds) db.insert(groupMembers).values({ groupId, studentId }).onConflictDoNothing().run();
    // A group is there as long as somebody is in it, or something was given to it.
    db.delete(groups)
      .where(
        and(
          eq(groups.classId, classId),
          notInArray(groups.id, db.select({ id: groupMembers.groupId }).from(groupMembers)),
          notInArray(
            groups.id,
            db
              .select({ id: sql<string>`${addressees.groupId}` })
              .from(addressees)
              .where(sql`${addressees.groupId} is not null`),
          ),
        ),
      )
      .run();
  };

  /** What a change comes to, for whoever is told of it after the commit. */
  interface Followed {
    readonly studentId: string;
    readonly assignmentIds: readonly string[];
  }

  /** Inside a transaction: what was given follows the student, and the roster is a newer one. */
  const follow = (classId: string, studentId: string): Followed => {
    const assignmentIds = followStudent(classId, studentId, clock());
    const place = eq(classes.id, classId);
    db.update(classes)
      .set({ rosterVersion: sql`${classes.rosterVersion} + 1` })
      .where(place)
      .run();
    return { studentId, assignmentIds };
  };

  const tell = ({ studentId, assignmentIds }: Followed) => {
    bus.publish('rightsChanged', { userId: studentId });
    for (const assignmentId of assignmentIds) bus.publish('recipientChanged', { assignmentId, studentId });
  };

  const change = (classId: string, studentId: string, work: () => boolean): boolean => {
    const followed = inTransaction(db, () => (work() ? follow(classId, studentId) : null));
    if (followed) later(() => tell(followed));
    return followed !== null;
  };

  /** What is told once the changes of many are written; null outside of such. */
  let waiting: (() => void)[] | null = null;
  const later = (telling: () => void) => {
    if (waiting) waiting.push(telling);
    else telling();
  };

  const groupNamesOf = (classId: string, studentId: string): string[] =>
    db
      .select({ name: groups.name })
      .from(groupMembers)
      .innerJoin(groups, eq(groups.id, groupMembers.groupId))
      .where(and(eq(groups.classId, classId), eq(groupMembers.studentId, studentId)))
      .all()
      .map(({ name }) => name);

  return {
    /** Many changes in one transaction: all of them or none. Who watches is told when all of it is written. */
    together<T>(work: () => T): T {
      waiting = [];
      try {
        const result = inTransaction(db, work as () => never) as T;
        const tellings = waiting;
        waiting = null;
        for (const telling of tellings) telling();
        return result;
      } finally {
        waiting = null;
      }
    },

    groupNamesOf,

    /** Besides the groups they are in, where they are in the class already. */
    add(classId: string, studentId: string, groupNames: readonly string[] = []): void {
      change(classId, studentId, () => {
        db.insert(classStudents).values({ classId, studentId }).onConflictDoNothing().run();
        const request = and(eq(joinRequests.classId, classId), eq(joinRequests.studentId, studentId));
        db.delete(joinRequests).where(request).run();
        putIntoGroups(classId, studentId, [...new Set([...groupNamesOf(classId, studentId), ...groupNames])]);
        return true;
      });
    },

    /** @returns whether the student was in the class */
    remove: (classId: string, studentId: string): boolean =>
      change(classId, studentId, () => {
        putIntoGroups(classId, studentId, []);
        return db.delete(classStudents).where(placeOf(classId, studentId)).run().changes > 0;
      }),

    /** @returns whether there is such a student in the class */
    setGroups: (classId: string, studentId: string, names: readonly string[]): boolean =>
      change(classId, studentId, () => {
        if (!db.select().from(classStudents).where(placeOf(classId, studentId)).get()) return false;
        putIntoGroups(classId, studentId, names);
        return true;
      }),
  };
}
