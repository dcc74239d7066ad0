import { writeFileSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import type { DeckListener } from './import-deck.ts';
import { type Imported, ImportRefused } from './import-result.ts';
import { type ImportMessage, type ImportOrder, resultFileName, wordsFileName } from './run-import.ts';

const tell = (message: ImportMessage) => process.send?.(message);

process.once('message', async (order: ImportOrder) => {
  try {
    const imported = await importFile(order, {
      onProgress: (share) => tell({ type: 'progress', share }),
      onWords: (slides) => {
        // Written at once: the parent reads it as soon as it is told.
        writeFileSync(path.join(order.outDir, wordsFileName), JSON.stringify(slides));
        tell({ type: 'words' });
      },
    });
    await writeFile(path.join(order.outDir, resultFileName), JSON.stringify(imported));
    tell({ type: 'done' });
  } catch (error) {
    tell({ type: 'refused', reason: error instanceof ImportRefused ? error.reason : 'damaged' });
  }
});

/** Loads what its format needs and no more: the process lives for one document. */
async function importFile({ file, format, fileName, outDir }: ImportOrder, listener: DeckListener): Promise<Imported> {
  if (format === 'oldOffice') {
    const { convertOld } = await import('./convert-old.ts');
    return importFile({ ...(await convertOld(file, fileName, outDir)), fileName, outDir }, listener);
  }
  if (format === 'questions') {
    const { readPackage } = await import('../../bank/qti/read-package.ts');
    return readPackage(file, outDir);
  }
  if (format === 'picture') {
    const { importPicture } = await import('./import-picture.ts');
    return importPicture(file, outDir);
  }
  if (format === 'pptx' || format === 'odp' || (format === 'pdf' && (await isSlidePdf(file)))) {
    const { importDeck } = await import('./import-deck.ts');
    return importDeck(file, format, outDir, listener);
  }
  const { importDocument } = await import('./import-document.ts');
  return importDocument(file, format, outDir, listener.onProgress);
}

async function isSlidePdf(file: string): Promise<boolean> {
  const { openPdf } = await import('./read-pdf.ts');
  const { isMadeOfSlides } = await import('./read-pdf-slides.ts');
  const document = await openPdf(await readFile(file));
  const isSlides = await isMadeOfSlides(document);
  await document.destroy();
  return isSlides;
}
