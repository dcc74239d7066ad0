import type { Db } from '../db/open.ts';

const runs = ['all', 'get', 'run'] as const;

/** How many statements some work runs, prepared ones and others. */
export async function countStatements(db: Db, work: () => unknown): Promise<number> {
  const statement = Object.getPrototypeOf(db.$client.prepare('SELECT 1'));
  const originals = runs.map((name) => [name, statement[name]] as const);
  let count = 0;
  for (const [name, original] of originals)
    statement[name] = function (...values: unknown[]) {
      count++;
      return original.apply(this, values);
    };
  try {
    await work();
  } finally {
    for (const [name, original] of originals) statement[name] = original;
  }
  return count;
}
