import { expect, test } from 'vitest';
import { routes } from './routes.ts';

interface Schema {
  readonly type: string;
  readonly [part: string]: unknown;
}

const isSchema = (value: unknown): value is Schema =>
  typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'schema' && 'type' in value;

/** All schemas inside one, itself included. */
function schemasIn(schema: Schema, seen = new Set<unknown>()): Schema[] {
  if (seen.has(schema)) return [];
  seen.add(schema);
  const inside = Object.values(schema).flatMap((part) => {
    if (isSchema(part)) return schemasIn(part, seen);
    if (typeof part !== 'object' || part === null) return [];
    return Object.values(part).flatMap((one) => (isSchema(one) ? schemasIn(one, seen) : []));
  });
  return [schema, ...inside];
}

const answers = Object.entries(routes).flatMap(([name, { output }]) =>
  output ? [[name, output as unknown as Schema] as const] : [],
);

test('the search sees what is inside', () => {
  expect(answers.length).toBeGreaterThan(40);
  expect(schemasIn(routes.readSheet.output as unknown as Schema).length).toBeGreaterThan(20);
});

test.each(answers)('%s answers with nothing that may be anything', (_name, output) => {
  const open = schemasIn(output).filter(({ type }) => ['any', 'unknown', 'custom'].includes(type));
  expect(open).toEqual([]);
});
