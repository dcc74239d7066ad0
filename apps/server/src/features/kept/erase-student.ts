import { and, eq, inArray, notInArray, sql } from 'drizzle-orm';
import { withoutStrayFiles } from '../../db/named-files.ts';
import { inTransaction } from '../../db/open.ts';
import { addressees, assignments, attempts, classes, classStudents, erasedWork, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AttemptStates } from '../attempts/attempt-states.ts';
import type { MediaStore } from '../materials/media-store.ts';

interface Options extends Pick<Deps, 'db' | 'bus'> {
  readonly given: Pick<AssignedLessons, 'forget'>;
  readonly states: Pick<AttemptStates, 'forget'>;
  readonly store: Pick<MediaStore, 'remove'>;
}

/**
 * Erases a student: their account, words, files, voices and marks. How many had begun and handed in, and what they earned
 * together, stays with each assignment, without a name.
 */
export function createEraseStudent({ db, bus, given, states, store }: Options) {
  return async (studentId: string): Promise<void> => {
    const own = db.select().from(attempts).where(eq(attempts.studentId, studentId)).all();
    const isGuest = db.select().from(users).where(eq(users.id, studentId)).get()?.isGuest ?? false;
    const alone = db
      .select({ assignmentId: addressees.assignmentId })
      .from(addressees)
      .where(eq(addressees.studentId, studentId))
      .all()
      .map(({ assignmentId }) => assignmentId);
    const eraseRows = () =>
      inTransaction(db, () => {
        // A guest was nobody of the class: nothing of them is missing there.
        for (const assignmentId of isGuest ? [] : new Set(own.map((attempt) => attempt.assignmentId))) {
          const latest = own
            .filter((one) => one.assignmentId === assignmentId)
            .toSorted((a, b) => b.number - a.number)[0];
          const handedIn = latest?.handedInAt == null ? 0 : 1;
          const [earned, possible] = handedIn ? [latest?.earned ?? 0, latest?.possible ?? 0] : [0, 0];
          db.insert(erasedWork)
            .values({ assignmentId, begun: 1, handedIn, earned, possible })
            .onConflictDoUpdate({
              target: erasedWork.assignmentId,
              set: {
                begun: sql`begun + 1`,
                handedIn: sql`handed_in + ${handedIn}`,
                earned: sql`earned + ${earned}`,
                possible: sql`possible + ${possible}`,
              },
            })
            .run();
        }
        const inClasses = db
          .select({ id: classStudents.classId })
          .from(classStudents)
          .where(eq(classStudents.studentId, studentId));
        db.update(classes).set({ rosterVersion: sql`roster_version + 1` }).where(inArray(classes.id, inClasses)).run();
        // All else hangs from the account, and goes with it.
        db.delete(users).where(eq(users.id, studentId)).run();
        // What was given to them alone is nobody's any more.
        db.delete(assignments)
          .where(
            and(
              inArray(assignments.id, alone),
              notInArray(assignments.id, db.select({ id: addressees.assignmentId }).from(addressees)),
            ),
          )
          .run();
      });
    await withoutStrayFiles(db.$client, store.remove, () => {
      eraseRows();
      for (const { id } of own) states.forget(id);
      given.forget(alone);
      bus.publish('rightsChanged', { userId: studentId });
    });
  };
}
