import type { Db } from '../db/open.ts';
import { lessonSummaries } from '../db/schema.ts';
import { createLessonUses } from './lesson-uses.ts';
import { createMaterialUses } from './material-uses.ts';

/** Reads anew what shows what, and forgets what the shelf says of drafts: that is computed when it is next asked for. */
export function rebuildUses(db: Db): void {
  createMaterialUses({ db }).rebuild();
  createLessonUses({ db }).rebuild();
  db.delete(lessonSummaries).run();
}
