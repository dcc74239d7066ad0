import { lt } from 'drizzle-orm';
import { withoutStrayFiles } from '../../db/named-files.ts';
import { assignments } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { MediaStore } from '../materials/media-store.ts';
import type { AssignedLessons } from './assigned-lessons.ts';

/** How long what students did is kept after an assignment was taken back, in ms. */
export const keptTakenBackMs = 30 * 24 * 3_600_000;

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly store: Pick<MediaStore, 'remove'>;
  readonly given: Pick<AssignedLessons, 'forget'>;
}

/** Clears away what was taken back long ago, with what students did in it, their files too. */
export function createClearTakenBack({ db, clock, store, given }: Options) {
  return async (): Promise<void> => {
    const isOld = lt(assignments.takenBackAt, clock() - keptTakenBackMs);
    if (!db.select({ id: assignments.id }).from(assignments).where(isOld).limit(1).get()) return;
    await withoutStrayFiles(db.$client, store.remove, () => {
      const gone = db.delete(assignments).where(isOld).returning({ id: assignments.id }).all();
      given.forget(gone.map(({ id }) => id));
    });
  };
}
