import { mkdir, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { type CaptionCue, type CaptionReading, fingerprint, writeSrt, writeVtt } from '@semita/core/captions';
import type { Material } from '@semita/core/contract';
import { deckScript, type Slide } from '@semita/core/deck';
import type { MaterialPart } from '@semita/core/lesson';
import { type ReadingBlock, readingScript } from '@semita/core/reading';
import type { ScriptLine } from '@semita/core/script';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { JobQueue } from '../../jobs/job-queue.ts';
import { type Reader, ReadFailed } from '../../reading/reader.ts';
import type { Actor } from '../accounts/session-service.ts';
import { cleanHtml, type PicturePlace } from './import/clean-html.ts';
import { cleanSlide } from './import/clean-slide.ts';
import { createReport } from './import/import-result.ts';
import type { MaterialRepository, MaterialRow } from './material-repository.ts';
import { incomingFolder, type MediaStore } from './media-store.ts';

export type MaterialService = ReturnType<typeof createMaterialService>;

interface Options extends Pick<Deps, 'clock' | 'newId' | 'dataDir'> {
  readonly repository: MaterialRepository;
  readonly store: MediaStore;
  readonly jobs: Pick<JobQueue, 'enqueue'>;
  readonly reader: Reader;
}

/** What stands nowhere else in cleaned HTML but before the names of pictures and films. */
const placeholders = /"(?:picture|film):/;
/** Of cleaned HTML, where every < that is no element is written as &lt;. */
const mutePicture = /<img [^<>]*\balt(?:=""|(?=[\s/>]))/;

const keptOffShelfMs = 30 * 24 * 3_600_000;

/** A name as a teacher would write it. */
export function titleOf(fileName: string): string {
  return path.parse(fileName).name.replaceAll('_', ' ').trim() || fileName;
}

/** Addresses of a material's pictures and films, and which of the teacher's words were put in, in their order. */
function placeIn(materialId: string, words: ReadonlyMap<string, string>) {
  const written: { readonly before: string; readonly words: string }[] = [];
  const place: PicturePlace = {
    pictureAt: (name) => `/api/materials/${materialId}/pictures/${name}`,
    filmAt: (filmId) => `/api/materials/${filmId}/media`,
    wordsOf(name, before) {
      const said = words.get(name);
      if (said === undefined) return before;
      written.push({ before: before.trim(), words: said });
      return said;
    },
    isPlaced: (address) => address.startsWith('/api/materials/'),
  };
  return { place, written };
}

export function createMaterialService({ repository, store, jobs, reader, clock, newId, dataDir }: Options) {
  const uploadsDir = path.join(dataDir, 'uploads');

  /** Who may open it was asked at the door; of another school it is as absent as what never was. */
  const getInSchool = (actor: Actor, materialId: string): MaterialRow =>
    found(repository.findInSchool(actor.schoolId, materialId));

  /** The blocks of a document with addresses for its pictures, and the words that the teacher wrote for them. */
  const readingFor = (materialId: string): ReadingBlock[] => {
    const words = repository.listPictureWords(materialId);
    return repository.readBlocks(materialId).map((block) => {
      if (!placeholders.test(block.html)) return block;
      const { place, written } = placeIn(materialId, words);
      const html = cleanHtml(block.html, createReport(), place);
      const said = block.kind === 'picture' ? written.at(-1)?.words : undefined;
      return { ...block, html, text: said ?? block.text };
    });
  };

  /** The same for slides, whose drawings have films as well. */
  const deckFor = (materialId: string): Slide[] => {
    const words = repository.listPictureWords(materialId);
    return repository.readSlides(materialId).map((slide) => {
      if (!placeholders.test(slide.html)) return slide;
      const { place, written } = placeIn(materialId, words);
      const html = cleanSlide(slide.html, createReport(), place);
      const text = written.reduce(
        (all, { before, words: said }) =>
          before !== '' && all.includes(before) ? all.replace(before, () => said) : `${all}\n${said}`,
        slide.text,
      );
      return { ...slide, html, text };
    });
  };

  /** @throws Refused captionsUnreadable where the file did not let itself be read */
  const readForeignCaptions = async ({ schoolId, id }: Actor, bytes: Uint8Array): Promise<CaptionReading> => {
    const folder = path.join(dataDir, incomingFolder);
    await mkdir(folder, { recursive: true });
    const file = path.join(folder, newId());
    try {
      await writeFile(file, bytes);
      return await reader.read({ schoolId, personId: id }, { kind: 'captions', file });
    } catch (error) {
      if (error instanceof ReadFailed) throw new Refused('captionsUnreadable', { faults: [] });
      throw error;
    } finally {
      await rm(file, { force: true });
    }
  };

  type Begun = Pick<
    MaterialRow,
    'fileName' | 'byteLength' | 'uploadId' | 'replacesId' | 'sourceUrl' | 'captionsUrl'
  > & {
    readonly title?: string | null;
  };

  const begin = (actor: Actor, begun: Begun): string => {
    const row: MaterialRow = {
      ...begun,
      id: newId(),
      schoolId: actor.schoolId,
      ownerId: actor.id,
      title: begun.title ?? titleOf(begun.fileName),
      status: 'checking',
      refusal: null,
      sha256: null,
      lengthMs: null,
      mimeType: null,
      width: null,
      height: null,
      kind: null,
      progress: null,
      leftOut: null,
      level: null,
      removedAt: null,
      createdAt: clock(),
    };
    repository.insert(row);
    jobs.enqueue(row.sourceUrl === null ? 'import' : 'fetch', row.id);
    return row.id;
  };

  return {
    uploadsDir,

    /**
     * Registers a file that was received whole; it is brought in behind the pages. The id is the upload's.
     * @param replacesId an older version of the same document, of this teacher's
     */
    register(
      actor: Actor,
      upload: { id: string; fileName: string; byteLength: number; replacesId: string | null },
    ): string {
      const older = upload.replacesId === null ? undefined : repository.findOwned(actor, upload.replacesId);
      return begin(actor, {
        fileName: upload.fileName,
        byteLength: upload.byteLength,
        uploadId: upload.id,
        replacesId: older?.id ?? null,
        sourceUrl: null,
        captionsUrl: null,
      });
    },

    /**
     * Registers an address; its file is fetched and brought in behind the pages.
     * @param about what is known of it beforehand
     */
    fetch(
      actor: Actor,
      address: string,
      { title, captionsUrl }: { title: string | null; captionsUrl: string | null } = { title: null, captionsUrl: null },
    ): string {
      return begin(actor, {
        fileName: address.slice(0, 200),
        byteLength: 0,
        uploadId: newId(),
        replacesId: null,
        sourceUrl: address,
        captionsUrl,
        title,
      });
    },

    /** What became of an upload of the actor's that was received whole. */
    findReceived: (actor: Actor, uploadId: string) => repository.findByUpload(actor, uploadId),

    list: (actor: Actor) => repository.listOwned(actor),

    read: (actor: Actor, materialId: string) => found(repository.findOwned(actor, materialId)),

    /**
     * Takes a material off the shelf; for a month it can be brought back.
     * @throws Refused notFound when it is not the actor's; changeImpossible when it is used, or still worked on
     */
    remove(actor: Actor, materialId: string): void {
      const material = found(repository.findOwned(actor, materialId));
      const isWorkedOn = material.status === 'ready' && material.progress !== null;
      if (material.usedIn.length > 0 || isWorkedOn) throw new Refused('changeImpossible', { usedIn: material.usedIn });
      repository.update(materialId, { removedAt: clock() });
    },

    /** @throws Refused notFound when it was not taken off the shelf, or has been cleared away */
    bringBack(actor: Actor, materialId: string): void {
      if (!repository.bringBack(actor, materialId)) throw new Refused('notFound');
    },

    /** Clears away for good what was taken off the shelf long ago, with its files. */
    async clearAway(): Promise<void> {
      for (const materialId of repository.listRemovedBefore(clock() - keptOffShelfMs)) {
        const files = repository.listFiles(materialId);
        repository.remove(materialId);
        for (const sha256 of files) if (!repository.isFileUsed(sha256)) await store.remove(sha256);
      }
    },

    /**
     * What a player or a page shows of a ready material: a film, a sound, a picture. Of a document or a deck this is the
     * file itself, with its maker's notes and comments, and so only its owner's.
     */
    findFile(actor: Actor, materialId: string): { path: string; mimeType: string } {
      const row = getInSchool(actor, materialId);
      const isOriginal = row.kind === 'document' || row.kind === 'deck';
      if (isOriginal && row.ownerId !== actor.id) throw new Refused('notFound');
      return { path: store.pathOf(found(row.sha256)), mimeType: found(row.mimeType) };
    },

    /** What a document or a deck holds, for whoever may open it; notes are for teachers. */
    readContent(actor: Actor, materialId: string): { isDrawing: boolean; blocks: ReadingBlock[]; slides: Slide[] } {
      const { kind, progress } = getInSchool(actor, materialId);
      if (kind === 'document') return { isDrawing: false, blocks: readingFor(materialId), slides: [] };
      if (kind !== 'deck') throw new Refused('notFound');
      const slides = deckFor(materialId);
      return {
        isDrawing: progress !== null,
        blocks: [],
        slides: actor.roles.includes('teacher') ? slides : slides.map((slide) => ({ ...slide, notes: '' })),
      };
    },

    /** Writes words for a picture that has none in its document, for those who cannot see it. Empty takes them back. */
    describePicture(actor: Actor, materialId: string, name: string, words: string): void {
      found(repository.findOwned(actor, materialId));
      found(repository.findPicture(materialId, name));
      repository.describePicture(materialId, name, words === '' ? null : words);
    },

    scriptOf({ id, kind }: Pick<Material, 'id' | 'kind'>): readonly ScriptLine[] {
      if (kind === 'deck') return deckScript(deckFor(id));
      return kind === 'document' ? readingScript(repository.readBlocks(id)) : [];
    },

    /** Pictures that cannot be read aloud, by the blocks or slides they stand in. */
    listPicturesWithoutAlt({
      kind,
      materialId,
      inMs,
      outMs,
    }: Pick<MaterialPart, 'kind' | 'materialId' | 'inMs' | 'outMs'>): string[] {
      if (kind === 'clip') return [];
      const pieces = kind === 'deck' ? deckFor(materialId) : readingFor(materialId);
      let atMs = 0;
      return pieces.flatMap(({ id, html, lengthMs }) => {
        const startMs = atMs;
        atMs += lengthMs;
        const isShown = startMs < outMs && atMs > inMs;
        return isShown && mutePicture.test(html) ? [id] : [];
      });
    },

    findPicture(actor: Actor, materialId: string, name: string): { path: string; mimeType: string } {
      getInSchool(actor, materialId);
      const { sha256, mimeType } = found(repository.findPicture(materialId, name));
      return { path: store.pathOf(sha256), mimeType };
    },

    /**
     * Replaces the captions of a material by those of a file. The good cues are kept; faults are told by line.
     * @throws Refused captionsUnreadable when not one cue could be read; the captions before stay
     */
    async bringInCaptions(actor: Actor, materialId: string, bytes: Uint8Array) {
      found(repository.findOwned(actor, materialId));
      const { cues, faults } = await readForeignCaptions(actor, bytes);
      if (cues.length === 0) throw new Refused('captionsUnreadable', { faults: faults.slice(0, 50) });
      repository.replaceCaptions(materialId, cues, clock());
      return { cueCount: cues.length, faults: faults.slice(0, 200) };
    },

    readCaptions(actor: Actor, materialId: string) {
      getInSchool(actor, materialId);
      return [...repository.readCaptions(materialId)];
    },

    /**
     * Puts corrected captions in the place of those that were corrected.
     * @throws Refused draftMoved when they have been changed since by somebody else, or in another tab
     */
    correctCaptions(actor: Actor, materialId: string, before: string, cues: readonly CaptionCue[]) {
      found(repository.findOwned(actor, materialId));
      if (cues.some((cue) => cue.endMs <= cue.startMs)) throw new Refused('inputInvalid', { fields: ['cues'] });
      const there = fingerprint(repository.readCaptions(materialId));
      // Sent again, because the answer was lost.
      if (there === fingerprint(cues)) return { cueCount: cues.length };
      if (there !== before) throw new Refused('draftMoved');
      repository.replaceCaptions(materialId, cues, clock());
      return { cueCount: cues.length };
    },

    writeSrt(actor: Actor, materialId: string): string {
      found(repository.findOwned(actor, materialId));
      return writeSrt(repository.readCaptions(materialId));
    },

    writeCaptions(actor: Actor, materialId: string): string {
      found(repository.findOwned(actor, materialId));
      return writeVtt(repository.readCaptions(materialId));
    },
  };
}
