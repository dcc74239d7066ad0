import type Database from 'better-sqlite3';

interface FileColumn {
  readonly table: string;
  readonly column: string;
}

/**
 * Where the database names files of the media folder: every column called `sha256`, found by walking the schema, so that
 * a table that is added later is backed up, restored and counted without anybody thinking of it.
 */
export function fileColumns(sqlite: Database.Database): FileColumn[] {
  const tables = sqlite.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all() as string[];
  return tables.flatMap((table) => {
    const columns = sqlite.pragma(`table_info("${table}")`) as { name: string }[];
    return columns.filter(({ name }) => name === 'sha256').map(({ name }) => ({ table, column: name }));
  });
}

/** The names of all files, each once. */
export function listFiles(sqlite: Database.Database): string[] {
  const columns = fileColumns(sqlite);
  if (columns.length === 0) return [];
  const selects = columns.map(
    ({ table, column }) => `SELECT "${column}" FROM "${table}" WHERE "${column}" IS NOT NULL`,
  );
  return sqlite.prepare(selects.join(' UNION ')).pluck().all() as string[];
}

/** Whether anything in the database still names a file. */
export function isFileNamed(sqlite: Database.Database, sha256: string): boolean {
  return fileColumns(sqlite).some(
    ({ table, column }) =>
      sqlite.prepare(`SELECT 1 FROM "${table}" WHERE "${column}" = ? LIMIT 1`).get(sha256) !== undefined,
  );
}

/**
 * Does something that takes rows away, and then takes from the disk the files that nothing names any more.
 * @param remove of the media folder
 */
export async function withoutStrayFiles(
  sqlite: Database.Database,
  remove: (sha256: string) => Promise<void>,
  takeAway: () => void,
): Promise<void> {
  const before = listFiles(sqlite);
  takeAway();
  const left = new Set(listFiles(sqlite));
  // Asked once more just before: the same file may have been handed in again in the meantime.
  for (const sha256 of before) if (!left.has(sha256) && !isFileNamed(sqlite, sha256)) await remove(sha256);
}
