import fs from 'node:fs';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { listFiles } from './db/named-files.ts';
import { hashFile } from './features/materials/media-store.ts';
import { databaseFileName } from './installation.ts';

/** What a backup came to. */
export interface BackedUp {
  readonly files: number;
  /** Names of files that the database speaks of and the installation does not have. */
  readonly missing: readonly string[];
}

const placeOf = (sha256: string) => path.join('media', sha256.slice(0, 2), sha256);
/** Readable by nobody but their owner: they hold children's work. */
const folderMode = 0o700;
const fileMode = 0o600;

const makeFolder = (folder: string) => fs.mkdirSync(folder, { recursive: true, mode: folderMode });

/**
 * Copies a database that is in use as it was at one moment, however much is written meanwhile, and looks whether the
 * copy is whole.
 */
function copyDatabase(from: string, to: string): void {
  fs.rmSync(to, { force: true });
  // VACUUM INTO takes an empty file, so that it is its owner's from the first byte.
  fs.closeSync(fs.openSync(to, 'wx', fileMode));
  const source = new Database(from, { readonly: true, fileMustExist: true });
  try {
    source.pragma('busy_timeout = 5000');
    source.prepare('VACUUM INTO ?').run(to);
  } finally {
    source.close();
  }
  const written = fs.openSync(to, 'r+');
  fs.fsyncSync(written);
  fs.closeSync(written);
  const copy = new Database(to, { readonly: true });
  const verdict = copy.pragma('integrity_check', { simple: true });
  copy.close();
  if (verdict !== 'ok') throw new Error(`The copy is damaged: ${String(verdict)}`);
}

/** Copies a file under its own name, so that it is there whole or not at all. */
async function copyWhole(from: string, to: string): Promise<void> {
  makeFolder(path.dirname(to));
  await fs.promises.copyFile(from, `${to}.partial`);
  fs.chmodSync(`${to}.partial`, fileMode);
  fs.renameSync(`${to}.partial`, to);
}

/**
 * Copies an installation while people work: the database as it was at one moment, then every file that it names. What
 * lies in the target already is kept where it is what its name says. A file that is missing is told of, and stops nothing.
 */
export async function backUp(dataDir: string, targetDir: string): Promise<BackedUp> {
  makeFolder(targetDir);
  fs.chmodSync(targetDir, folderMode);
  const partial = path.join(targetDir, `${databaseFileName}.partial`);
  copyDatabase(path.join(dataDir, databaseFileName), partial);
  const copy = new Database(partial, { readonly: true });
  const names = listFiles(copy);
  copy.close();
  const missing: string[] = [];
  for (const sha256 of names) {
    const [from, to] = [path.join(dataDir, placeOf(sha256)), path.join(targetDir, placeOf(sha256))];
    if (fs.existsSync(to) && (await hashFile(to)) === sha256) continue;
    if (fs.existsSync(from)) await copyWhole(from, to);
    else missing.push(sha256);
  }
  // Last, so that a backup that was cut short is never taken for a whole one.
  fs.renameSync(partial, path.join(targetDir, databaseFileName));
  return { files: names.length - missing.length, missing };
}

/**
 * Puts a backup in place of an installation that is not there yet. All of it is looked at before anything is written.
 * @throws when the target holds an installation, or when the backup is damaged or not whole
 */
export async function restore(backupDir: string, dataDir: string): Promise<{ files: number }> {
  if (fs.existsSync(path.join(dataDir, databaseFileName)))
    throw new Error(`${dataDir} already holds an installation. Move it away first; nothing was changed.`);
  const file = path.join(backupDir, databaseFileName);
  if (!fs.existsSync(file)) throw new Error(`There is no whole backup in ${backupDir}.`);
  const db = new Database(file, { readonly: true });
  const verdict = db.pragma('integrity_check', { simple: true });
  const names = listFiles(db);
  db.close();
  if (verdict !== 'ok') throw new Error(`The database of this backup is damaged: ${String(verdict)}`);
  for (const sha256 of names) {
    const place = path.join(backupDir, placeOf(sha256));
    if (!fs.existsSync(place)) throw new Error(`A file of this backup is missing: ${sha256}. Nothing was changed.`);
    if ((await hashFile(place)) !== sha256)
      throw new Error(`A file of this backup is damaged: ${sha256}. Nothing was changed.`);
  }
  makeFolder(dataDir);
  for (const sha256 of names)
    await copyWhole(path.join(backupDir, placeOf(sha256)), path.join(dataDir, placeOf(sha256)));
  await copyWhole(file, path.join(dataDir, databaseFileName));
  return { files: names.length };
}

const unitsMs = { s: 1_000, m: 60_000, h: 3_600_000 } as const;

/** @throws when it is not written as 30s, 1m or 2h */
export function readInterval(text: string): number {
  const found = /^(\d{1,4})([smh])$/.exec(text);
  const unit = found?.[2] as keyof typeof unitsMs | undefined;
  if (!found || !unit || Number(found[1]) === 0) throw new Error('Say how often as 30s, 1m or 2h.');
  return Number(found[1]) * unitsMs[unit];
}

async function main(): Promise<void> {
  const { positionals, values } = parseArgs({ allowPositionals: true, options: { every: { type: 'string' } } });
  const [targetDir] = positionals;
  if (!targetDir) throw new Error('Say where to: npm run backup -- <folder>, with --every 1m to go on');
  const everyMs = values.every === undefined ? null : readInterval(values.every);
  for (;;) {
    const { files, missing } = await backUp(process.env.SEMITA_DATA ?? 'data', targetDir);
    console.log(`Backed up the database and ${files} file(s) to ${targetDir}`);
    if (missing.length > 0) {
      console.error(`${missing.length} file(s) are missing in the installation itself: ${missing.join(', ')}`);
      process.exitCode = 2;
    }
    if (everyMs === null) return;
    await wait(everyMs);
  }
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await main();
