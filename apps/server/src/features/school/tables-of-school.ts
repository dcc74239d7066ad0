import type Database from 'better-sqlite3';

/** A column that names a row of another table. */
export interface Reference {
  readonly table: string;
  readonly column: string;
  readonly parent: string;
  readonly parentColumn: string;
  readonly isRequired: boolean;
}

/** A table, and how its rows lead to their school. */
export interface SchoolTable {
  readonly name: string;
  /** SQL for the school of a row that goes by an alias; null for a table that leads to none. */
  readonly schoolOf: ((alias: string) => string) | null;
  readonly references: readonly Reference[];
}

/**
 * Every table of the database with its way to the school, found by walking the keys of the schema: a table that is
 * added later moves with its school, and is checked, without anybody thinking of it.
 */
export function tablesOfSchool(sqlite: Database.Database): readonly SchoolTable[] {
  const names = sqlite
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
    .pluck()
    .all()
    .filter((name) => name !== '__drizzle_migrations' && !String(name).startsWith('sqlite_')) as string[];
  const references = new Map(names.map((name) => [name, referencesOf(sqlite, name)]));

  const wayFrom = (name: string, before: readonly string[]): SchoolTable['schoolOf'] => {
    if (name === 'schools') return (alias) => `${alias}."id"`;
    // A key that must be there comes before one that may be missing, and the school itself before everything.
    const ordered = (references.get(name) ?? []).toSorted((a, b) => rank(b) - rank(a));
    for (const { column, parent, parentColumn } of ordered) {
      if (before.includes(parent)) continue;
      const next = wayFrom(parent, [...before, name]);
      if (!next) continue;
      const inner = `"up${before.length}"`;
      return (alias) =>
        parent === 'schools'
          ? `${alias}."${column}"`
          : `(SELECT ${next(inner)} FROM "${parent}" ${inner} WHERE ${inner}."${parentColumn}" = ${alias}."${column}")`;
    }
    return null;
  };

  return names.map((name) => ({
    name,
    schoolOf: wayFrom(name, [name]),
    references: references.get(name) ?? [],
  }));
}

const rank = ({ parent, isRequired }: Reference): number => (parent === 'schools' ? 2 : isRequired ? 1 : 0);

function referencesOf(sqlite: Database.Database, table: string): Reference[] {
  const columns = sqlite.pragma(`table_info("${table}")`) as { name: string; notnull: number }[];
  const required = new Set(columns.filter(({ notnull }) => notnull === 1).map(({ name }) => name));
  const keys = sqlite.pragma(`foreign_key_list("${table}")`) as { from: string; table: string; to: string | null }[];
  return keys.map(({ from, table: parent, to }) => ({
    ...{ table, column: from, parent, parentColumn: to ?? 'id', isRequired: required.has(from) },
  }));
}

export interface Stray extends Pick<Reference, 'table' | 'column' | 'parent'> {
  readonly count: number;
}

/** Rows that name a row of another school. There are never any; a school with one could not move. */
export function straysBetweenSchools(sqlite: Database.Database): readonly Stray[] {
  const tables = new Map(tablesOfSchool(sqlite).map((table) => [table.name, table]));
  return [...tables.values()].flatMap(({ schoolOf, references }) =>
    references.flatMap(({ table, column, parent, parentColumn }) => {
      const parentSchool = tables.get(parent)?.schoolOf;
      if (!schoolOf || !parentSchool) return [];
      const count = sqlite
        .prepare(
          `SELECT count(*) FROM "${table}" AS child JOIN "${parent}" AS parent ON parent."${parentColumn}" = child."${column}"
           WHERE ${schoolOf('child')} IS NOT ${parentSchool('parent')}`,
        )
        .pluck()
        .get() as number;
      return count > 0 ? [{ table, column, parent, count }] : [];
    }),
  );
}
