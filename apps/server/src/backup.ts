import fs from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import Database from 'better-sqlite3';
import { hashFile } from './features/materials/media-store.ts';
import { databaseFileName } from './installation.ts';

/** Every file that the database names: films, documents and the pictures inside them. */
function listFiles(db: Database.Database): { sha256: string }[] {
  const query = 'SELECT sha256 FROM materials WHERE sha256 IS NOT NULL UNION SELECT sha256 FROM pictures';
  return db.prepare(query).all() as { sha256: string }[];
}

/**
 * Copies an installation while it runs: the database page by page through SQLite's own backup, then the files, which
 * never change once they are there. Files that the target has already are not copied again.
 */
export async function backUp(dataDir: string, targetDir: string): Promise<{ files: number }> {
  fs.mkdirSync(path.join(targetDir, 'media'), { recursive: true });
  const source = new Database(path.join(dataDir, databaseFileName), { readonly: true, fileMustExist: true });
  const partial = path.join(targetDir, `${databaseFileName}.partial`);
  await source.backup(partial);
  const rows = listFiles(source);
  source.close();
  for (const { sha256 } of rows) {
    const place = path.join('media', sha256.slice(0, 2), sha256);
    if (fs.existsSync(path.join(targetDir, place))) continue;
    fs.mkdirSync(path.dirname(path.join(targetDir, place)), { recursive: true });
    fs.copyFileSync(path.join(dataDir, place), path.join(targetDir, `${place}.partial`));
    fs.renameSync(path.join(targetDir, `${place}.partial`), path.join(targetDir, place));
  }
  // Last, so that a backup that was cut short is never taken for a whole one.
  fs.renameSync(partial, path.join(targetDir, databaseFileName));
  return { files: rows.length };
}

/**
 * Puts a backup in place of an installation that is not there yet.
 * @throws when the target holds an installation, or when the backup is damaged or not whole
 */
export async function restore(backupDir: string, dataDir: string): Promise<{ files: number }> {
  if (fs.existsSync(path.join(dataDir, databaseFileName)))
    throw new Error(`${dataDir} already holds an installation. Move it away first; nothing was changed.`);
  const file = path.join(backupDir, databaseFileName);
  if (!fs.existsSync(file)) throw new Error(`There is no whole backup in ${backupDir}.`);
  const db = new Database(file, { readonly: true });
  const verdict = db.pragma('integrity_check', { simple: true });
  const rows = listFiles(db);
  db.close();
  if (verdict !== 'ok') throw new Error(`The database of this backup is damaged: ${String(verdict)}`);
  for (const { sha256 } of rows) {
    const place = path.join('media', sha256.slice(0, 2), sha256);
    if ((await hashFile(path.join(backupDir, place))) !== sha256)
      throw new Error(`A file of this backup is damaged: ${sha256}`);
    fs.mkdirSync(path.dirname(path.join(dataDir, place)), { recursive: true });
    fs.copyFileSync(path.join(backupDir, place), path.join(dataDir, place));
  }
  fs.mkdirSync(dataDir, { recursive: true });
  fs.copyFileSync(file, path.join(dataDir, databaseFileName));
  return { files: rows.length };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const targetDir = process.argv[2];
  if (!targetDir) throw new Error('Say where to: npm run backup -- <folder>');
  const { files } = await backUp(process.env.SEMITA_DATA ?? 'data', targetDir);
  console.log(`Backed up the database and ${files} file(s) to ${targetDir}`);
}
