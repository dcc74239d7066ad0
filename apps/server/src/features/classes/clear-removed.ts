import { and, isNotNull, lt } from 'drizzle-orm';
import { Temporal } from 'temporal-polyfill';
import { withoutStrayFiles } from '../../db/named-files.ts';
import { inTransaction } from '../../db/open.ts';
import { classes, schools } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { MediaStore } from '../materials/media-store.ts';

/** How long a deleted class can be brought back, in ms. */
export const keptRemovedMs = 30 * 24 * 3_600_000;

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly store: Pick<MediaStore, 'remove'>;
  readonly forgetGiven: (classId: string) => void;
}

/** Deletes classes that were put away longer ago than their school keeps them, and lets go what was deleted long enough ago. */
export function createClearRemoved({ db, clock, store, forgetGiven }: Options) {
  const removeOld = (): void => {
    const now = Temporal.Instant.fromEpochMilliseconds(clock());
    for (const { id, keptMonths } of db.select().from(schools).where(isNotNull(schools.keptMonths)).all()) {
      const before = now.toZonedDateTimeISO('UTC').subtract({ months: keptMonths ?? 0 }).epochMilliseconds;
      db.$client
        .prepare('update classes set removed_at = ? where school_id = ? and archived_at < ? and removed_at is null')
        .run(clock(), id, before);
    }
  };

  /** What was given to it alone, and what its students did in what others have as well. */
  const workOf = [
    `delete from assignments where id in (select assignment_id from addressees where class_id = @classId)
       and id not in (select assignment_id from addressees where class_id <> @classId)`,
    `delete from attempts where assignment_id in (select assignment_id from addressees where class_id = @classId)
       and student_id in (select r.student_id from recipients r join addressees a on a.id = r.addressee_id
         where a.class_id = @classId and r.assignment_id = attempts.assignment_id)
       and not exists (select 1 from recipients r join addressees a on a.id = r.addressee_id
         where r.student_id = attempts.student_id and r.assignment_id = attempts.assignment_id and a.class_id <> @classId)`,
    'delete from classes where id = @classId',
  ].map((statement) => db.$client.prepare(statement));

  return async (): Promise<void> => {
    removeOld();
    const gone = db
      .select({ id: classes.id })
      .from(classes)
      .where(and(isNotNull(classes.removedAt), lt(classes.removedAt, clock() - keptRemovedMs)))
      .all();
    if (gone.length === 0) return;
    await withoutStrayFiles(db.$client, store.remove, () => {
      for (const { id: classId } of gone) {
        forgetGiven(classId);
        inTransaction(db, () => {
          for (const statement of workOf) statement.run({ classId });
        });
      }
    });
  };
}
