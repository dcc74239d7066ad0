import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import { importDocument } from './import-document.ts';
import { ImportRefused } from './import-result.ts';
import { type ImportMessage, type ImportOrder, resultFileName } from './run-import.ts';

sharp.cache(false);
sharp.concurrency(1);

const tell = (message: ImportMessage) => process.send?.(message);

process.once('message', async ({ file, format, outDir }: ImportOrder) => {
  try {
    const reading = await importDocument(file, format, outDir, (share) => tell({ type: 'progress', share }));
    await writeFile(path.join(outDir, resultFileName), JSON.stringify(reading));
    tell({ type: 'done' });
  } catch (error) {
    tell({ type: 'refused', reason: error instanceof ImportRefused ? error.reason : 'damaged' });
  }
});
