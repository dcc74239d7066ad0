import { access, mkdtemp, rm } from 'node:fs/promises';
import path from 'node:path';
import { type ReadingBlock, readingLengthMs } from '@semita/core';
import { readingLevel } from '@semita/core/level';
import type { Deps } from '../../deps.ts';
import { type ImportedReading, ImportRefused } from './import/import-result.ts';
import { runImport } from './import/run-import.ts';
import { type DocumentFormat, type Format, sniffFormat } from './import/sniff-format.ts';
import type { MaterialRepository, MaterialRow } from './material-repository.ts';
import type { MediaStore } from './media-store.ts';
import { nameBlocks } from './name-blocks.ts';
import { probeMedia } from './probe-media.ts';

const mimeTypeOf: Readonly<Record<DocumentFormat, string>> = {
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  odt: 'application/vnd.oasis.opendocument.text',
  epub: 'application/epub+zip',
  pdf: 'application/pdf',
  html: 'text/html',
  markdown: 'text/markdown',
  text: 'text/plain',
};

const isDocument = (format: Format): format is DocumentFormat => format in mimeTypeOf;

/** Names that say film: a text behind one is no document that was meant. */
const mediaName = /\.(mp4|m4v|webm|mov|mkv|avi|mp3|m4a|ogg|oga|wav|weba)$/i;

/** Blocks that hold sentences. */
const runningText = new Set<ReadingBlock['kind']>(['paragraph', 'list', 'quote']);

interface Options extends Pick<Deps, 'db' | 'dataDir' | 'clock'> {
  readonly repository: MaterialRepository;
  readonly store: MediaStore;
}

/**
 * Brings in what was received: looks into the file, and makes of it a film or a reading that is ready, or says why
 * not. The received file goes last, so that the work can be done again from its beginning.
 */
export function createBringIn({ repository, store, dataDir, clock }: Options) {
  const bringInMedia = async (row: MaterialRow, file: string): Promise<void> => {
    const probe = await probeMedia(file, row.byteLength);
    if (!probe.ok) return repository.update(row.id, { status: 'refused', refusal: probe.reason });
    const { ok: _, ...facts } = probe;
    repository.update(row.id, { ...facts, kind: 'film', status: 'ready', sha256: await store.take(file) });
  };

  const bringInDocument = async (row: MaterialRow, file: string, format: DocumentFormat): Promise<void> => {
    const outDir = await mkdtemp(path.join(dataDir, 'uploads', 'import-'));
    try {
      let toldAt = 0;
      const reading = await runImport({ file, format, outDir }, (progress) => {
        if (clock() - toldAt < 500) return;
        toldAt = clock();
        repository.update(row.id, { progress });
      });
      await keepReading(row, file, format, reading);
    } catch (error) {
      if (!(error instanceof ImportRefused)) throw error;
      repository.update(row.id, { status: 'refused', refusal: error.reason });
    } finally {
      await rm(outDir, { recursive: true, force: true });
    }
  };

  const keepReading = async (row: MaterialRow, file: string, format: DocumentFormat, reading: ImportedReading) => {
    const pictures = [];
    for (const { name, file: pictureFile, mimeType, width, height } of reading.pictures)
      pictures.push({ name, mimeType, width, height, sha256: await store.take(pictureFile) });
    const older: readonly ReadingBlock[] = row.replacesId === null ? [] : repository.readBlocks(row.replacesId);
    const blocks = nameBlocks(reading.blocks, older);
    repository.keepReading(row.id, blocks, pictures, {
      kind: 'document',
      status: 'ready',
      sha256: await store.take(file),
      mimeType: mimeTypeOf[format],
      lengthMs: readingLengthMs(blocks),
      leftOut: reading.leftOut,
      level: readingLevel(blocks.filter((block) => runningText.has(block.kind)).map((block) => block.text)),
      progress: null,
    });
  };

  return async (materialId: string): Promise<void> => {
    const row = repository.find(materialId);
    if (row?.status !== 'checking') return;
    const file = path.join(dataDir, 'uploads', row.uploadId ?? '');
    await access(file);
    const format = row.byteLength === 0 ? 'media' : await sniffFormat(file, row.fileName);
    if (isDocument(format)) await bringInDocument(row, file, format);
    else if (format === 'media' || mediaName.test(row.fileName)) await bringInMedia(row, file);
    else repository.update(row.id, { status: 'refused', refusal: format === 'oldOffice' ? 'oldFormat' : 'notKnown' });
    await rm(file, { force: true });
    await rm(`${file}.json`, { force: true });
  };
}
