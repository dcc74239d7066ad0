import type { Db } from '../db/open.ts';
import { materialUses } from '../db/schema.ts';

/** All uses of materials that are stored, in an order of their own. */
export const readUses = (db: Db): readonly string[] =>
  db
    .select()
    .from(materialUses)
    .all()
    .map((row) => JSON.stringify(row))
    .toSorted();
