import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema.ts';

const migrationsFolder = fileURLToPath(new URL('../../drizzle', import.meta.url));

/**
 * Opens the database and brings it to the newest migration.
 * @param file a path, or `:memory:`
 * @throws when a migration leaves a foreign key without its row
 */
export function openDb(file: string) {
  const sqlite = new Database(file);
  sqlite.pragma('journal_mode = WAL');
  // FULL: a commit is on disk before anybody is told of it.
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('busy_timeout = 5000');
  const db = drizzle({ client: sqlite, schema, casing: 'snake_case' });
  // Drizzle migrates inside a transaction, where this pragma does nothing: with keys on, rebuilding a table
  // would cascade into its children. So: keys off, migrate, check, keys on.
  sqlite.pragma('foreign_keys = OFF');
  migrate(db, { migrationsFolder });
  const broken = sqlite.pragma('foreign_key_check') as unknown[];
  if (broken.length > 0) throw new Error(`Foreign keys broken after migration: ${JSON.stringify(broken.slice(0, 5))}`);
  sqlite.pragma('foreign_keys = ON');
  return db;
}

export type Db = ReturnType<typeof openDb>;

type Sync<T> =
  T extends Promise<unknown>
    ? { readonly error: 'A transaction cannot be async: what follows an await would be written outside it.' }
    : T;

/** Runs `work` in one transaction: all of it is written, or nothing. */
export function inTransaction<T>(db: Db, work: () => Sync<T>): T {
  return db.transaction(() => work() as T);
}
