import fs from 'node:fs';
import { getTableColumns, is } from 'drizzle-orm';
import { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { expect, test } from 'vitest';
import { openDb } from './open.ts';
import * as schema from './schema.ts';

const tables = (Object.values(schema) as unknown[]).flatMap((one) => (is(one, SQLiteTable) ? [one] : []));

test('no document is stored without its shape, but for states, which have their reducer', () => {
  const bare = tables.flatMap((table) =>
    Object.entries(getTableColumns(table)).flatMap(([name, column]) => (column.dataType === 'json' ? [name] : [])),
  );
  expect(bare).toEqual(['state']);
});

test('a document is stored with its shape, read as it was, and read where it has none', () => {
  const db = openDb(':memory:');
  const { schools, users, bankItems } = schema;
  db.insert(schools).values({ id: 's', name: 'Quillhaven School' }).run();
  db.insert(users).values({ id: 'u', schoolId: 's', displayName: 'u', createdAt: 0 }).run();
  const question = { id: 'q', kind: 'extendedText', stem: 'Why?', points: 100, teacherNote: '' } as const;
  const row = { schoolId: 's', ownerId: 'u', question, tags: ['bridges'], createdAt: 0, updatedAt: 0 };
  db.insert(bankItems)
    .values({ id: 'today', ...row })
    .run();
  expect(db.$client.prepare('SELECT question, tags FROM bank_items').get()).toEqual({
    question: `{"shape":2,${JSON.stringify(question).slice(1)}`,
    tags: '{"shape":1,"list":["bridges"]}',
  });
  db.$client.exec(
    `INSERT INTO bank_items SELECT 'older', school_id, owner_id, '${JSON.stringify(question)}', '["bridges"]', 0, 0 FROM bank_items`,
  );
  expect(db.select().from(bankItems).all()).toEqual([
    { id: 'today', ...row },
    { id: 'older', ...row },
  ]);
  db.$client.close();
});

test('nobody looks for ids in documents: what uses what stands in tables', () => {
  const source = new URL('..', import.meta.url);
  const files = fs.readdirSync(source, { recursive: true, encoding: 'utf8' });
  const code = files.filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'));
  expect(code.length).toBeGreaterThan(50);
  const searching = code.filter((name) =>
    /\b(?:like|instr|glob)\(|\b(?:LIKE|GLOB)\b/.test(fs.readFileSync(new URL(name, source), 'utf8')),
  );
  expect(searching).toEqual([]);
});
