import { lt } from 'drizzle-orm';
import { listFiles } from '../../db/named-files.ts';
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
    const before = clock() - keptTakenBackMs;
    const files = listFiles(db.$client);
    const gone = db
      .delete(assignments)
      .where(lt(assignments.takenBackAt, before))
      .returning({ id: assignments.id })
      .all();
    if (gone.length === 0) return;
    given.forget(gone.map(({ id }) => id));
    const named = new Set(listFiles(db.$client));
    for (const sha256 of files) if (!named.has(sha256)) await store.remove(sha256);
  };
}
