import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import { type Imported, ImportRefused } from './import-result.ts';
import { type ImportMessage, type ImportOrder, resultFileName } from './run-import.ts';

sharp.cache(false);
sharp.concurrency(1);

const tell = (message: ImportMessage) => process.send?.(message);

process.once('message', async (order: ImportOrder) => {
  try {
    const onProgress = (share: number) => tell({ type: 'progress', share });
    const imported = await importFile(order, onProgress);
    await writeFile(path.join(order.outDir, resultFileName), JSON.stringify(imported));
    tell({ type: 'done' });
  } catch (error) {
    tell({ type: 'refused', reason: error instanceof ImportRefused ? error.reason : 'damaged' });
  }
});

/** Loads what its format needs and no more: the process lives for one document. */
async function importFile(
  { file, format, fileName, outDir }: ImportOrder,
  onProgress: (share: number) => void,
): Promise<Imported> {
  if (format === 'oldOffice') {
    const { convertOld } = await import('./convert-old.ts');
    return importFile({ ...(await convertOld(file, fileName, outDir)), fileName, outDir }, onProgress);
  }
  if (format === 'picture') {
    const { importPicture } = await import('./import-picture.ts');
    return importPicture(file, outDir);
  }
  if (format === 'pptx' || format === 'odp' || (format === 'pdf' && (await isSlidePdf(file)))) {
    const { importDeck } = await import('./import-deck.ts');
    return importDeck(file, format, outDir, onProgress);
  }
  const { importDocument } = await import('./import-document.ts');
  return importDocument(file, format, outDir, onProgress);
}

async function isSlidePdf(file: string): Promise<boolean> {
  const { openPdf } = await import('./read-pdf.ts');
  const { isMadeOfSlides } = await import('./read-pdf-slides.ts');
  const document = await openPdf(await readFile(file));
  const isSlides = await isMadeOfSlides(document);
  await document.destroy();
  return isSlides;
}
