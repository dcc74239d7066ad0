import { access, mkdtemp, rm } from 'node:fs/promises';
import path from 'node:path';
import { readingLengthMs } from '@semita/core/reading';
import type { Deps } from '../../deps.ts';
import { isDiskFull } from '../../http/disk-space.ts';
import type { FairQueue, Lane } from '../../reading/fair-queue.ts';
import type { Probe } from '../../reading/probe-media.ts';
import { type Reader, ReadFailed } from '../../reading/reader.ts';
import { defaultFetchLimits, type FetchLimits, FetchRefused, fetchAddress } from './fetch-address.ts';
import { hasOffice } from './import/convert-old.ts';
import { type ImportedMaterial, ImportRefused, type RawSlide } from './import/import-result.ts';
import { importLimits, type MaterialFormat, runImport } from './import/run-import.ts';
import { type Format, sniffFormat } from './import/sniff-format.ts';
import type { Inside, MaterialRepository, MaterialRow } from './material-repository.ts';
import { titleOf } from './material-service.ts';
import type { MediaStore } from './media-store.ts';
import { nameBlocks, nameSlides } from './name-blocks.ts';

const mimeTypeOf: Readonly<Record<MaterialFormat, string>> = {
  oldOffice: 'application/octet-stream',
  picture: 'image/webp',
  pptx: 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  odp: 'application/vnd.oasis.opendocument.presentation',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  odt: 'application/vnd.oasis.opendocument.text',
  epub: 'application/epub+zip',
  pdf: 'application/pdf',
  html: 'text/html',
  markdown: 'text/markdown',
  text: 'text/plain',
};

const isImported = (format: Format): format is MaterialFormat => format in mimeTypeOf;

/** Names that say film: a text behind one is no document that was meant. */
const mediaName = /\.(mp4|m4v|webm|mov|mkv|avi|mp3|m4a|ogg|oga|wav|weba)$/i;

interface Options extends Pick<Deps, 'db' | 'dataDir' | 'clock'> {
  readonly repository: MaterialRepository;
  readonly store: MediaStore;
  readonly reader: Reader;
  /** Where documents are taken apart, in turns. */
  readonly workshop: FairQueue;
  /** Told that the file of an address is here. */
  readonly onFetched: (materialId: string) => void;
  readonly fetchLimits?: FetchLimits | undefined;
  readonly stopping: AbortSignal;
  readonly catalogueUrl?: string | undefined;
}

const maxCaptionBytes = 5_000_000;

const laneOf = ({ schoolId, ownerId }: MaterialRow): Lane => ({ schoolId, personId: ownerId });

const captionsOf = (file: string) => `${file}.captions`;

function orNotMedia(error: unknown): Probe {
  if (error instanceof ReadFailed) return { ok: false, reason: 'notMedia' };
  throw error;
}

/** Does what may fail without harm. */
function atBest(work: () => void): void {
  try {
    work();
  } catch (error) {
    if (!isDiskFull(error)) throw error;
  }
}

/** Folders in which documents are taken apart, beside the uploads. */
export const workFolder = 'import-';

/**
 * Brings in what was received: looks into the file, and makes of it a film, a reading or a deck that is ready, or says why
 * not. The received file goes last, so that the work can be done again from its beginning.
 */
export function createBringIn({
  repository,
  store,
  reader,
  workshop,
  onFetched,
  dataDir,
  clock,
  fetchLimits = defaultFetchLimits,
  catalogueUrl,
  stopping,
}: Options) {
  const bringInMedia = async (row: MaterialRow, file: string): Promise<void> => {
    const probe = await reader.read(laneOf(row), { kind: 'media', file, byteLength: row.byteLength }).catch(orNotMedia);
    if (!probe.ok) return repository.update(row.id, { status: 'refused', refusal: probe.reason });
    const { ok: _, ...facts } = probe;
    if (row.captionsUrl !== null) await takeCaptions(row, file);
    repository.update(row.id, { ...facts, status: 'ready', sha256: await store.take(file) });
  };

  /** What was ready with its words stays, without its looks; all else is refused. */
  const giveUp = (id: string, refusal: string): void => {
    const hasWords = repository.find(id)?.status === 'ready';
    if (hasWords) repository.update(id, { progress: null, leftOut: [{ code: 'drawnSlides', count: 1 }] });
    else repository.update(id, { status: 'refused', refusal });
  };

  const keepSlides = (row: MaterialRow, slides: readonly RawSlide[], pictures: Inside, facts: Partial<MaterialRow>) => {
    const named = nameSlides(slides, row.replacesId === null ? [] : repository.readSlides(row.replacesId));
    const lengthMs = named.reduce((sum, slide) => sum + slide.lengthMs, 0);
    repository.keepDeck(row.id, named, pictures, { ...facts, kind: 'deck', status: 'ready', lengthMs });
  };

  const bringInPages = async (row: MaterialRow, file: string, format: MaterialFormat): Promise<void> => {
    const outDir = await mkdtemp(path.join(dataDir, 'uploads', workFolder));
    try {
      let toldAt = 0;
      const imported = await runImport(
        { file, format, fileName: row.fileName, outDir },
        {
          onProgress: (progress) => {
            if (clock() - toldAt < 500) return;
            toldAt = clock();
            // How far it has come is told at best; that it cannot be written stops no work.
            atBest(() => repository.update(row.id, { progress }));
          },
          // Lessons can be made of the words while the slides are drawn.
          onWords: (slides) => keepSlides(row, slides, [], { progress: 0 }),
        },
        { ...importLimits, stopping },
      );
      await keep(row, file, format, imported);
    } catch (error) {
      if (!(error instanceof ImportRefused)) throw error;
      giveUp(row.id, error.reason);
    } finally {
      await rm(outDir, { recursive: true, force: true });
    }
  };

  const keep = async (row: MaterialRow, file: string, format: MaterialFormat, imported: ImportedMaterial) => {
    if (imported.kind === 'picture') {
      const [{ file: pictureFile, mimeType, width, height }] = imported.pictures;
      const sha256 = await store.take(pictureFile);
      // It takes no time of its own.
      const facts = { kind: imported.kind, status: 'ready' as const, lengthMs: 0, mimeType, width, height, sha256 };
      return repository.update(row.id, { ...facts, progress: null });
    }
    const pictures = [];
    for (const { name, file: pictureFile, mimeType, width, height } of imported.pictures)
      pictures.push({ name, mimeType, width, height, sha256: await store.take(pictureFile) });
    const facts = {
      kind: imported.kind,
      status: 'ready' as const,
      sha256: await store.take(file),
      mimeType: mimeTypeOf[format],
      leftOut: imported.leftOut,
      progress: null,
    };
    if (imported.kind === 'deck') return keepSlides(row, imported.slides, pictures, facts);
    const older = row.replacesId;
    const blocks = nameBlocks(imported.blocks, older === null ? [] : repository.readBlocks(older));
    const { level } = imported;
    repository.keepReading(row.id, blocks, pictures, { ...facts, lengthMs: readingLengthMs(blocks), level });
  };

  /** The catalogue is the school's own choice and may stand in its own network. */
  const limits: FetchLimits =
    catalogueUrl === undefined
      ? fetchLimits
      : { ...fetchLimits, trustedPrefix: `${new URL(catalogueUrl).href.replace(/\/$/, '')}/` };

  /** Captions that came with a film; a film without them is a film all the same. */
  const takeCaptions = async (row: MaterialRow, file: string): Promise<void> => {
    const captionsFile = captionsOf(file);
    try {
      await access(captionsFile);
      const { cues } = await reader.read(laneOf(row), { kind: 'captions', file: captionsFile });
      if (cues.length > 0) repository.replaceCaptions(row.id, cues, clock());
    } catch (error) {
      const isMissing = (error as NodeJS.ErrnoException).code === 'ENOENT';
      if (!isMissing && !(error instanceof ReadFailed)) throw error;
    } finally {
      await rm(captionsFile, { force: true });
    }
  };

  const fetchCaptions = async ({ captionsUrl }: MaterialRow, file: string): Promise<void> => {
    if (captionsUrl === null) return;
    try {
      await fetchAddress(captionsUrl, captionsOf(file), { ...limits, maxBytes: maxCaptionBytes });
    } catch (error) {
      if (!(error instanceof FetchRefused)) throw error;
      await rm(captionsOf(file), { force: true });
    }
  };

  /** Fetches the file of an address, to be brought in by a job of its own: a slow address holds up nobody's work. */
  const fetch = async (materialId: string): Promise<void> => {
    const row = repository.find(materialId);
    if (row?.status !== 'checking' || row.sourceUrl === null) return;
    const file = path.join(dataDir, 'uploads', row.uploadId ?? '');
    try {
      const { fileName, byteLength } = await fetchAddress(row.sourceUrl, file, limits);
      await fetchCaptions(row, file);
      // A name that came from the address gives way to the file's own.
      const title = row.title === titleOf(row.fileName) ? titleOf(fileName) : row.title;
      repository.update(row.id, { fileName, byteLength, title });
      onFetched(row.id);
    } catch (error) {
      if (!(error instanceof FetchRefused)) throw error;
      repository.update(row.id, { status: 'refused', refusal: error.reason });
      await rm(file, { force: true });
    }
  };

  const work = async (materialId: string): Promise<void> => {
    const row = repository.find(materialId);
    const isUnderWay = row?.status === 'checking' || (row?.status === 'ready' && row.progress !== null);
    if (!row || !isUnderWay) return;
    const file = path.join(dataDir, 'uploads', row.uploadId ?? '');
    await access(file);
    const format = row.byteLength === 0 ? 'media' : await sniffFormat(file, row.fileName);
    if (format === 'locked') repository.update(row.id, { status: 'refused', refusal: 'passwordProtected' });
    else if (format === 'oldOffice' && !(await hasOffice()))
      repository.update(row.id, { status: 'refused', refusal: 'oldFormat' });
    else if (isImported(format)) await workshop.run(laneOf(row), () => bringInPages(row, file, format));
    else if (format === 'media' || mediaName.test(row.fileName)) await bringInMedia(row, file);
    else repository.update(row.id, { status: 'refused', refusal: 'notKnown' });
    await rm(file, { force: true });
    await rm(`${file}.json`, { force: true });
  };

  return {
    fetch,
    work,
    /** Of a job that threw, or was tried too often. */
    giveUp: (materialId: string, error: unknown) => giveUp(materialId, isDiskFull(error) ? 'diskFull' : 'damaged'),
  };
}
