import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { learnerRoute, scriptBytes } from '../../../scripts/route-weight.mjs';

const dist = fileURLToPath(new URL('../dist', import.meta.url));

/** Children's devices are slow and their lines thin: what a route weighs is a promise. */
test.each<[string, readonly string[], number]>([
  ['the walk', learnerRoute, 180],
  ['the to-do list', ['index.html', 'src/features/todo/student-frame.tsx', 'src/features/todo/todo-route.tsx'], 172],
  ['the desk', ['index.html', 'src/features/today/teacher-frame.tsx', 'src/features/desk/desk-route.tsx'], 275],
])('%s stays light: %s, at most %d kB as sent', (_, entries, most) => {
  expect(scriptBytes(dist, entries) / 1000).toBeLessThan(most);
});

test('students do not load the teachers’ words', () => {
  const manifest = JSON.parse(fs.readFileSync(`${dist}/.vite/manifest.json`, 'utf8')) as Record<
    string,
    { file: string; imports?: string[] }
  >;
  const seen = new Set<string>();
  const visit = (key: string) => {
    if (seen.has(key)) return;
    seen.add(key);
    for (const next of manifest[key]?.imports ?? []) visit(next);
  };
  for (const entry of learnerRoute) visit(entry);
  const code = [...seen].map((key) => fs.readFileSync(`${dist}/${manifest[key]?.file}`, 'utf8')).join();
  expect(code).toContain('The film waits until you have answered.');
  expect(code).not.toContain('No answer is marked as right.');
});
