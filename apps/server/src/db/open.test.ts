import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { getTableColumns, getTableName, is, sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { getTableConfig, SQLiteTable } from 'drizzle-orm/sqlite-core';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { inTransaction, openDb } from './open.ts';
import * as schema from './schema.ts';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-db-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true }));

const open = () => openDb(path.join(folder, 'test.db'));
const tables = Object.values(schema).filter((one) => is(one, SQLiteTable)) as SQLiteTable[];
/** The names of the database, which the client makes from ours. */
const snake = (name: string) => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

test('what is committed is on disk, keys are held to, and a busy file is waited for', () => {
  const { $client } = open();
  const pragma = (name: string) => $client.pragma(name, { simple: true });
  expect(pragma('journal_mode')).toBe('wal');
  // 2 is FULL: https://www.sqlite.org/pragma.html#pragma_synchronous
  expect(pragma('synchronous')).toBe(2);
  expect(pragma('foreign_keys')).toBe(1);
  expect(pragma('busy_timeout')).toBe(5_000);
  $client.close();
});

describe('migrations', () => {
  test.each(tables.map((table) => [getTableName(table), table] as const))(
    '%s has the columns and indexes that the code knows',
    (name, table) => {
      const { $client } = open();
      const stored = $client.pragma(`table_info(${name})`) as { name: string; notnull: number }[];
      const known = Object.values(getTableColumns(table)).map((column) => ({
        name: snake(column.name),
        notnull: Number(column.notNull),
      }));
      const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name);
      expect(stored.map(({ name: column, notnull }) => ({ name: column, notnull })).sort(byName)).toEqual(
        known.sort(byName),
      );
      const indexes = ($client.pragma(`index_list(${name})`) as { name: string }[]).map((one) => one.name);
      for (const { config } of getTableConfig(table).indexes) expect(indexes).toContain(config.name);
      $client.close();
    },
  );

  test('an installation of before there were documents keeps its films, and looks into those that wait', () => {
    const file = path.join(folder, 'test.db');
    const source = new URL('../../drizzle/', import.meta.url).pathname;
    const old = path.join(folder, 'drizzle');
    fs.mkdirSync(path.join(old, 'meta'), { recursive: true });
    fs.copyFileSync(path.join(source, '0000_first-schema.sql'), path.join(old, '0000_first-schema.sql'));
    const journal = JSON.parse(fs.readFileSync(path.join(source, 'meta/_journal.json'), 'utf8'));
    fs.writeFileSync(
      path.join(old, 'meta/_journal.json'),
      JSON.stringify({ ...journal, entries: journal.entries.slice(0, 1) }),
    );
    const before = new Database(file);
    migrate(drizzle({ client: before }), { migrationsFolder: old });
    before.exec(`INSERT INTO schools VALUES ('s', 'Quillhaven');
      INSERT INTO users (id, school_id, role, display_name, created_at) VALUES ('u', 's', 'teacher', 'u', 0);
      INSERT INTO materials (id, school_id, owner_id, title, file_name, byte_length, status, sha256, length_ms, upload_id, created_at)
        VALUES ('film', 's', 'u', 'f', 'f.mp4', 1, 'ready', 'abc', 60000, NULL, 7), ('new', 's', 'u', 'n', 'n.mp4', 1, 'checking', NULL, NULL, 'up', 8);`);
    before.close();
    const { $client } = open();
    expect($client.prepare('SELECT id, kind, length_ms FROM materials ORDER BY id').all()).toEqual([
      { id: 'film', kind: 'film', length_ms: 60_000 },
      { id: 'new', kind: null, length_ms: null },
    ]);
    expect($client.prepare('SELECT kind, subject_id, status FROM jobs').all()).toEqual([
      { kind: 'import', subject_id: 'new', status: 'waiting' },
    ]);
    $client.close();
  });

  test('opening again changes nothing', () => {
    const first = open();
    first.insert(schema.schools).values({ id: 'quillhaven', name: 'Quillhaven School' }).run();
    first.$client.close();
    const again = open();
    expect(again.select().from(schema.schools).all()).toHaveLength(1);
    again.$client.close();
  });
});

test('a row that hangs in the air is not taken', () => {
  const db = open();
  const row = { id: 'amber', schoolId: 'nowhere', name: '8 Amber', timeZone: 'Europe/Stockholm' };
  expect(() => db.insert(schema.classes).values(row).run()).toThrow(/FOREIGN KEY/);
  db.$client.close();
});

test('a transaction is written whole or not at all', () => {
  const db = open();
  const insert = (id: string) => db.insert(schema.schools).values({ id, name: id }).run();
  expect(() =>
    inTransaction(db, () => {
      insert('one');
      throw new Error('in the middle');
    }),
  ).toThrow('in the middle');
  expect(db.get<{ n: number }>(sql`select count(*) as n from schools`).n).toBe(0);
  expect(inTransaction(db, () => insert('two').changes)).toBe(1);
  db.$client.close();
});
