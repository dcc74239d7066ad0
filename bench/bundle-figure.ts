import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'vite';
import { learnerRoute, scriptBytes } from '../scripts/route-weight.mjs';
import type { Figure } from './compare.ts';

const at = (place: string) => fileURLToPath(new URL(place, import.meta.url));

export async function measureBundle(): Promise<Figure[]> {
  const outDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-empty-page-'));
  await build({
    configFile: false,
    root: at('./empty-page'),
    logLevel: 'error',
    build: { outDir, manifest: true, emptyOutDir: true },
  });
  const empty = scriptBytes(outDir, ['index.html']);
  fs.rmSync(outDir, { recursive: true });
  const ours = scriptBytes(at('../apps/web/dist'), learnerRoute);
  return [
    {
      name: `Learner route, ${(ours / 1000).toFixed(0)} kB as sent ÷ an empty page, ${(empty / 1000).toFixed(0)} kB`,
      ratio: ours / empty,
      goal: 2.2,
      better: 'lower',
    },
  ];
}
