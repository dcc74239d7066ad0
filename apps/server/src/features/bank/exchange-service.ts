import { copyFile, mkdtemp, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { type QtiLeftOut, withMedia } from '@semita/core/qti';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { FairQueue } from '../../reading/fair-queue.ts';
import type { Actor } from '../accounts/session-service.ts';
import { type ImportedQuestions, ImportRefused } from '../materials/import/import-result.ts';
import { runImport } from '../materials/import/run-import.ts';
import type { MaterialRow } from '../materials/material-repository.ts';
import type { MaterialService } from '../materials/material-service.ts';
import type { BankRepository } from './bank-repository.ts';
import type { BankService } from './bank-service.ts';
import { type LostFields, type PackageMedia, toItems, writePackage } from './qti/write-package.ts';

export type ExchangeService = ReturnType<typeof createExchangeService>;

interface Options extends Pick<Deps, 'dataDir' | 'newId'> {
  readonly bank: Pick<BankService, 'put'>;
  readonly repository: Pick<BankRepository, 'listByIds'>;
  readonly materials: Pick<MaterialService, 'register' | 'uploadsDir'>;
  readonly findMaterial: (schoolId: string, materialId: string) => MaterialRow | undefined;
  readonly pathOf: (sha256: string) => string;
  /** Where documents and packages are taken apart, in turns. */
  readonly workshop: FairQueue;
}

/** By what a file is; what is not here is told by its name elsewhere. */
const extensionOf: Readonly<Record<string, string>> = {
  'image/webp': 'webp',
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'video/mp4': 'mp4',
  'video/webm': 'webm',
  'audio/mpeg': 'mp3',
  'audio/mp4': 'm4a',
  'audio/ogg': 'ogg',
  'audio/wav': 'wav',
  'audio/webm': 'weba',
};

/** The question bank's way out to other programs and in from them: packages of QTI. */
export function createExchangeService(options: Options) {
  const { bank, repository, materials, findMaterial, pathOf, workshop, dataDir, newId } = options;

  const sourceOf = ({ schoolId }: Actor) => ({
    findMedia: (materialId: string): PackageMedia | null => {
      const row = findMaterial(schoolId, materialId);
      if (!row?.sha256) return null;
      const { width, height, mimeType, sha256 } = row;
      const extension = extensionOf[mimeType ?? ''] ?? 'bin';
      return { path: pathOf(sha256), extension, size: width && height ? { width, height } : null };
    },
  });

  const entriesOf = (actor: Actor, itemIds: readonly string[]) => {
    const entries = repository.listByIds(actor, itemIds);
    return found(entries.length > 0 ? entries : undefined);
  };

  /** Puts the files that questions show on the shelf, and says under which material each stands. */
  const shelve = async (actor: Actor, media: ImportedQuestions['media']): Promise<ReadonlyMap<string, string>> => {
    const materialIdOf = new Map<string, string>();
    for (const { name, fileName, file } of media) {
      const uploadId = newId();
      await copyFile(file, path.join(materials.uploadsDir, uploadId));
      const { size } = await stat(file);
      const upload = { id: uploadId, fileName, byteLength: size, replacesId: null };
      materialIdOf.set(name, materials.register(actor, upload));
    }
    return materialIdOf;
  };

  return {
    /**
     * Takes the questions of a package into the bank, and the files they show onto the shelf.
     * @throws Refused packageUnreadable with the reason a teacher is told
     */
    async takeIn(actor: Actor, bytes: Buffer): Promise<{ count: number; leftOut: QtiLeftOut[] }> {
      const workDir = await mkdtemp(path.join(dataDir, 'uploads', 'import-'));
      try {
        const file = path.join(workDir, 'package');
        await writeFile(file, bytes);
        const order = { file, format: 'questions', fileName: 'package', outDir: path.join(workDir, 'out') } as const;
        const lane = { schoolId: actor.schoolId, personId: actor.id };
        const { entries, media, leftOut } = await workshop.run(lane, () =>
          runImport(order, { onProgress: () => undefined, onWords: () => undefined }),
        );
        const materialIdOf = await shelve(actor, media);
        const named = entries.map(({ question, tags }) => ({
          question: withMedia(question, (name) => materialIdOf.get(name) ?? null),
          tags,
        }));
        if (named.length > 0) bank.put(actor, named);
        return { count: named.length, leftOut: [...leftOut] };
      } catch (error) {
        if (error instanceof ImportRefused) throw new Refused('packageUnreadable', { reason: error.reason });
        throw error;
      } finally {
        await rm(workDir, { recursive: true, force: true });
      }
    },

    /** What other programs would not find in questions; those that lose nothing are not named. */
    describe(actor: Actor, itemIds: readonly string[]): LostFields[] {
      const { written } = toItems(entriesOf(actor, itemIds), sourceOf(actor));
      return written.map(({ lost }) => lost).filter(({ fields }) => fields.length > 0);
    },

    write: (actor: Actor, itemIds: readonly string[]): Promise<Buffer> =>
      writePackage(entriesOf(actor, itemIds), sourceOf(actor)),
  };
}
