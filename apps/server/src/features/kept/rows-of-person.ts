import type Database from 'better-sqlite3';
import { tablesOfSchool } from '../school/tables-of-school.ts';

/** Rows of one table, as they are stored. */
export type RowsByTable = Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>;

/** What nobody needs to read, and what would let somebody in. */
const secretColumn = /hash|token|secret|salt/;
/** Computed from what else is there. */
const caches = ['attempt_states', 'bank_results', 'question_results'];
/** What a student does is theirs with all that hangs on it. */
const work = ['attempts', 'review_rounds'];
/** What others said to somebody is theirs. */
const ofOthers = ['thread_replies.to_student_id'];

/**
 * Every row that names a person, and every row of their work, found by walking the keys of the schema: what is added
 * later is in it without anybody thinking of it.
 */
export function rowsOfPerson(sqlite: Database.Database, userId: string): RowsByTable {
  const found = new Map<string, Readonly<Record<string, unknown>>[]>();
  const add = (table: string, where: string) => {
    const rows = sqlite.prepare(`SELECT * FROM "${table}" WHERE ${where}`).all(userId) as Record<string, unknown>[];
    if (rows.length > 0) found.set(table, [...(found.get(table) ?? []), ...rows.map(withoutSecrets)]);
  };
  add('users', '"id" = ?');
  for (const { name, references } of tablesOfSchool(sqlite)) {
    if (caches.includes(name)) continue;
    for (const { column, parent } of references) {
      if (parent === 'users' && !ofOthers.includes(`${name}.${column}`)) add(name, `"${column}" = ?`);
      if (work.includes(parent)) add(name, `"${column}" IN (SELECT "id" FROM "${parent}" WHERE "student_id" = ?)`);
    }
  }
  return Object.fromEntries(found);
}

const withoutSecrets = (row: Readonly<Record<string, unknown>>) =>
  Object.fromEntries(Object.entries(row).filter(([column]) => !secretColumn.test(column)));
