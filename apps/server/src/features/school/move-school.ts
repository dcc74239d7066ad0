import fs from 'node:fs';
import { copyFile, mkdir, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import type Database from 'better-sqlite3';
import { fileColumns, isFileNamed } from '../../db/named-files.ts';
import type { Deps } from '../../deps.ts';
import { createMediaStore, hashFile } from '../materials/media-store.ts';
import { type SchoolTable, straysBetweenSchools, tablesOfSchool } from './tables-of-school.ts';

/** Why a school stays where it is, in words for whoever looks after the server. */
export class MoveRefused extends Error {
  override readonly name = 'MoveRefused';
}

export interface Moved {
  readonly rows: number;
  readonly files: number;
  /** Files that were named and not there to be copied. */
  readonly missing: number;
}

type Installation = Pick<Deps, 'db' | 'dataDir'>;
type Row = Record<string, unknown>;

/**
 * Moves a school with all that is its own out of one installation into another, which may hold other schools. Sessions
 * go along; uploads that are under way do not.
 * @param schoolName as the school is called where it is
 * @param removes whether it is taken out of where it was, once all of it is in the other
 * @throws MoveRefused, and nothing is moved
 */
export async function moveSchool(
  from: Installation,
  to: Installation,
  { schoolName, removes }: { readonly schoolName: string; readonly removes: boolean },
): Promise<Moved> {
  const source = from.db.$client;
  const target = to.db.$client;
  const schoolId = findSchool(source, target, schoolName);
  const strays = straysBetweenSchools(source);
  if (strays.length > 0)
    throw new MoveRefused(`Something points from one school into another: ${JSON.stringify(strays)}`);
  const tables = tablesOfSchool(source).filter(({ schoolOf }) => schoolOf !== null);
  const rowsOf = new Map(tables.map((table) => [table.name, readRows(source, table, schoolId)]));
  // Files first: a row never names what is not there.
  const files = await copyFiles(from, to, namedBy(source, rowsOf));
  target.transaction(() => {
    target.pragma('defer_foreign_keys = ON');
    for (const [name, rows] of rowsOf) insertRows(target, name, rows);
  })();
  for (const [name, rows] of rowsOf) {
    const table = tables.find((one) => one.name === name) as SchoolTable;
    const arrived = readRows(target, table, schoolId).length;
    if (arrived !== rows.length) throw new Error(`${name}: ${rows.length} rows were sent and ${arrived} came in`);
  }
  if (removes) await removeSchool(from, schoolId, namedBy(source, rowsOf));
  return { ...files, rows: [...rowsOf.values()].reduce((sum, rows) => sum + rows.length, 0) };
}

function findSchool(source: Database.Database, target: Database.Database, schoolName: string): string {
  const ids = source.prepare('SELECT id FROM schools WHERE name = ?').pluck().all(schoolName) as string[];
  const [id] = ids;
  if (id === undefined) throw new MoveRefused(`There is no school called “${schoolName}” here.`);
  if (ids.length > 1) throw new MoveRefused(`There are ${ids.length} schools called “${schoolName}” here.`);
  if (target.prepare('SELECT 1 FROM schools WHERE id = ? OR name = ?').get(id, schoolName))
    throw new MoveRefused(`There is a school called “${schoolName}” already where it should go.`);
  const underWay = source
    .prepare(
      `SELECT count(*) FROM jobs j JOIN materials m ON m.id = j.subject_id
       WHERE m.school_id = ? AND j.status IN ('waiting', 'running')`,
    )
    .pluck()
    .get(id) as number;
  if (underWay > 0)
    throw new MoveRefused(`${underWay} materials are still being brought in. Wait until they are ready.`);
  return id;
}

function readRows(sqlite: Database.Database, { name, schoolOf }: SchoolTable, schoolId: string): Row[] {
  if (!schoolOf) return [];
  return sqlite.prepare(`SELECT t.* FROM "${name}" AS t WHERE ${schoolOf('t')} = ?`).all(schoolId) as Row[];
}

function insertRows(sqlite: Database.Database, table: string, rows: readonly Row[]): void {
  const [first] = rows;
  if (!first) return;
  const columns = Object.keys(first);
  const names = columns.map((column) => `"${column}"`).join(', ');
  const insert = sqlite.prepare(`INSERT INTO "${table}" (${names}) VALUES (${columns.map(() => '?').join(', ')})`);
  for (const row of rows) insert.run(columns.map((column) => row[column]));
}

/** Names of all files that some rows name. */
function namedBy(sqlite: Database.Database, rowsOf: ReadonlyMap<string, readonly Row[]>): ReadonlySet<string> {
  const names = fileColumns(sqlite).flatMap(({ table, column }) => (rowsOf.get(table) ?? []).map((row) => row[column]));
  return new Set(names.filter((name) => typeof name === 'string'));
}

async function copyFiles(from: Installation, to: Installation, names: ReadonlySet<string>) {
  const [source, target] = [createMediaStore(from.dataDir), createMediaStore(to.dataDir)];
  let missing = 0;
  for (const sha256 of names) {
    const place = target.pathOf(sha256);
    if (fs.existsSync(place)) continue;
    if (!fs.existsSync(source.pathOf(sha256))) {
      missing++;
      continue;
    }
    await mkdir(path.dirname(place), { recursive: true });
    const incoming = `${place}.incoming`;
    await copyFile(source.pathOf(sha256), incoming);
    if ((await hashFile(incoming)) !== sha256) {
      await rm(incoming);
      throw new MoveRefused(`The file ${sha256} is damaged. Nothing was moved; restore it from a backup first.`);
    }
    await rename(incoming, place);
  }
  return { files: names.size - missing, missing };
}

async function removeSchool({ db, dataDir }: Installation, schoolId: string, names: ReadonlySet<string>) {
  const sqlite = db.$client;
  sqlite.prepare('DELETE FROM schools WHERE id = ?').run(schoolId);
  const store = createMediaStore(dataDir);
  for (const sha256 of names) if (!isFileNamed(sqlite, sha256)) await store.remove(sha256);
}
