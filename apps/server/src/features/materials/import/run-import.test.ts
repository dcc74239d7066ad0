import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { afterAll, expect, test } from 'vitest';
import { makePdf } from '../../../test/make-pdf.ts';
import type { ImportedReading } from './import-result.ts';
import { importLimits, runImport } from './run-import.ts';
import type { DocumentFormat } from './sniff-format.ts';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-run-import-'));
afterAll(() => fs.rmSync(folder, { recursive: true }));

let count = 0;
function run(bytes: Buffer, format: DocumentFormat, limits = importLimits): Promise<ImportedReading> {
  const file = path.join(folder, `source-${count++}`);
  fs.writeFileSync(file, bytes);
  return runImport(
    { file, format, fileName: 'test', outDir: `${file}-out` },
    { onProgress: () => undefined, onWords: () => undefined },
    limits,
  ) as Promise<ImportedReading>;
}

test('a book of 600 pages comes in within the bound of memory, without its running titles', async () => {
  const { blocks } = await run(makePdf(600), 'pdf');
  const text = blocks.map((block) => block.text).join(' ');
  expect(text).toContain('Line 40 of page 600');
  expect(text).not.toContain("keeper's book");
}, 90_000);

test('a book of a thousand pages is refused', async () => {
  await expect(run(makePdf(1_000, 1), 'pdf')).rejects.toMatchObject({ reason: 'tooManyPages' });
}, 30_000);

test('a picture of 12,000 points comes in at the size of a screen, within the bound of memory', async () => {
  const create = { width: 12_000, height: 9_000, channels: 3 as const, background: '#5A2A54' };
  const png = await sharp({ create, limitInputPixels: false }).png().toBuffer();
  const html = `<p>Look:</p><img alt="All aubergine" src="data:image/png;base64,${png.toString('base64')}">`;
  const { pictures, blocks } = await run(Buffer.from(html), 'html');
  expect(pictures).toMatchObject([{ width: 2_000, height: 1_500 }]);
  expect(blocks[1]).toMatchObject({ kind: 'picture', text: 'All aubergine' });
}, 60_000);

test('what takes too long is ended', async () => {
  await expect(run(makePdf(600), 'pdf', { ...importLimits, timeMs: 300 })).rejects.toMatchObject({ reason: 'tooSlow' });
});

test('what takes too much memory is ended', async () => {
  const limits = { ...importLimits, memoryBytes: 30 * 1024 ** 2 };
  await expect(run(makePdf(600), 'pdf', limits)).rejects.toMatchObject({ reason: 'tooMuchMemory' });
});
