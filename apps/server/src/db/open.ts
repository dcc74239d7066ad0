import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { upgrader } from '@semita/core/upgrade';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema.ts';
import { StartRefused } from './start-refused.ts';

const migrationsFolder = fileURLToPath(new URL('../../drizzle', import.meta.url));

/**
 * Opens the database and brings it to the newest migration.
 * @param file a path, or `:memory:`
 * @throws StartRefused when the file is damaged, was made by a newer program, or cannot be written to
 */
export function openDb(file: string) {
  const sqlite = openFile(file);
  sqlite.pragma('journal_mode = WAL');
  // What a long reader made it grow to is cut once the reader has gone.
  sqlite.pragma('journal_size_limit = 16777216');
  // FULL: a commit is on disk before anybody is told of it.
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('busy_timeout = 5000');
  return migrated(sqlite);
}

function migrated(sqlite: Database.Database) {
  const db = drizzle({ client: sqlite, schema, casing: 'snake_case' });
  // Drizzle migrates inside a transaction, where this pragma does nothing: with keys on, rebuilding a table
  // would cascade into its children. So: keys off, migrate, check, keys on.
  try {
    sqlite.pragma('foreign_keys = OFF');
    migrate(db, { migrationsFolder });
  } catch (error) {
    sqlite.close();
    throw inWords(error);
  }
  const broken = sqlite.pragma('foreign_key_check') as unknown[];
  if (broken.length > 0) throw new Error(`Foreign keys broken after migration: ${JSON.stringify(broken.slice(0, 5))}`);
  sqlite.pragma('foreign_keys = ON');
  if (generationOf(sqlite) !== upgrader.generation) sqlite.pragma(`user_version = ${upgrader.generation}`);
  return db;
}

/** Looks at a file before anything is written to it. */
function openFile(file: string): Database.Database {
  try {
    const sqlite = new Database(file);
    if (hasNewerMigration(sqlite) || hasNewerDocuments(sqlite)) {
      sqlite.close();
      throw new StartRefused(
        'This database was made by a newer version of Semita. Nothing was changed. Start that version, or restore a backup from before it was put in.',
      );
    }
    return sqlite;
  } catch (error) {
    throw inWords(error);
  }
}

/** Whether a migration was made that this program does not know. */
function hasNewerMigration(sqlite: Database.Database): boolean {
  const table = "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = '__drizzle_migrations'";
  if (sqlite.prepare(table).get() === undefined) return false;
  const newest = sqlite.prepare('SELECT max(created_at) FROM __drizzle_migrations').pluck().get() as number | null;
  const known = JSON.parse(readFileSync(path.join(migrationsFolder, 'meta/_journal.json'), 'utf8')) as {
    readonly entries: readonly { readonly when: number }[];
  };
  return (newest ?? 0) > Math.max(...known.entries.map(({ when }) => when));
}

/** Whether a program that knows later shapes of documents has opened it, and may have written them. */
const hasNewerDocuments = (sqlite: Database.Database): boolean => generationOf(sqlite) > upgrader.generation;

const generationOf = (sqlite: Database.Database): number => Number(sqlite.pragma('user_version', { simple: true }));

/** What keeps a database from being opened, as far as something can be done about it. */
function inWords(error: unknown): unknown {
  const code = error instanceof Error && 'code' in error ? String(error.code) : '';
  if (code === 'SQLITE_CORRUPT' || code === 'SQLITE_NOTADB')
    return new StartRefused(
      'The database is damaged. Nothing was changed. Move it away and restore the latest backup: npm run restore -- <folder>',
      error,
    );
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code.startsWith('SQLITE_IOERR'))
    return new StartRefused(
      'The database cannot be written to: the disk is full, or failing. Nothing was changed.',
      error,
    );
  if (code === 'SQLITE_CANTOPEN' || code === 'SQLITE_READONLY' || code === 'EACCES')
    return new StartRefused(
      'The database cannot be opened: look at the rights of its folder. Nothing was changed.',
      error,
    );
  return error;
}

export type Db = ReturnType<typeof openDb>;

type Sync<T> =
  T extends Promise<unknown>
    ? { readonly error: 'A transaction cannot be async: what follows an await would be written outside it.' }
    : T;

/** Runs `work` in one transaction: all of it is written, or nothing. */
export function inTransaction<T>(db: Db, work: () => Sync<T>): T {
  return db.$client.transaction(() => work() as T)();
}
