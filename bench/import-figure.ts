import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { importDocument } from '../apps/server/src/features/materials/import/import-document.ts';
import { makePdf } from '../apps/server/src/test/make-pdf.ts';
import { type Figure, medianRatio } from './compare.ts';

/** A book of 200 pages into blocks, against Debian's own reader of words on the same file. */
export async function measureImport(): Promise<Figure[]> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-bench-'));
  const file = path.join(folder, 'book.pdf');
  fs.writeFileSync(file, makePdf(200));
  const clock = async (work: () => unknown) => {
    const startedAt = performance.now();
    await work();
    return performance.now() - startedAt;
  };
  const ours = () => clock(() => importDocument(file, 'pdf', folder, () => undefined));
  const baseline = () => clock(() => execFileSync('pdftotext', [file, path.join(folder, 'book.txt')]));
  // The library is loaded once, as it is in no other figure either.
  await ours();
  const ratio = await medianRatio(5, ours, baseline);
  fs.rmSync(folder, { recursive: true });
  return [{ name: 'PDF of 200 pages into blocks ÷ pdftotext', ratio, goal: 12, better: 'lower' }];
}
