import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import { ImportRefused } from './import-result.ts';
import { type ImportMessage, type ImportOrder, resultFileName } from './run-import.ts';
import type { DeckFormat } from './sniff-format.ts';

const isDeck = (format: ImportOrder['format']): format is DeckFormat => format === 'pptx' || format === 'odp';

sharp.cache(false);
sharp.concurrency(1);

const tell = (message: ImportMessage) => process.send?.(message);

process.once('message', async ({ file, format, outDir }: ImportOrder) => {
  try {
    const onProgress = (share: number) => tell({ type: 'progress', share });
    const imported = isDeck(format)
      ? await (await import('./import-deck.ts')).importDeck(file, format, outDir, onProgress)
      : await (await import('./import-document.ts')).importDocument(file, format, outDir, onProgress);
    await writeFile(path.join(outDir, resultFileName), JSON.stringify(imported));
    tell({ type: 'done' });
  } catch (error) {
    tell({ type: 'refused', reason: error instanceof ImportRefused ? error.reason : 'damaged' });
  }
});
