import { rm } from 'node:fs/promises';
import path from 'node:path';
import { readCaptions, writeVtt } from '@semita/core/captions';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { MaterialRepository, MaterialRow } from './material-repository.ts';
import type { MediaStore } from './media-store.ts';
import { probeMedia } from './probe-media.ts';

export type MaterialService = ReturnType<typeof createMaterialService>;

interface Options extends Pick<Deps, 'clock' | 'log' | 'newId' | 'dataDir'> {
  readonly repository: MaterialRepository;
  readonly store: MediaStore;
}

export function createMaterialService({ repository, store, clock, log, newId, dataDir }: Options) {
  const uploadsDir = path.join(dataDir, 'uploads');
  const running = new Set<Promise<void>>();

  const check = async (row: MaterialRow): Promise<void> => {
    const file = path.join(uploadsDir, row.uploadId ?? '');
    const probe = await probeMedia(file, row.byteLength);
    if (!probe.ok) {
      repository.update(row.id, { status: 'refused', refusal: probe.reason });
      await rm(file, { force: true });
    } else {
      const { ok: _, ...facts } = probe;
      repository.update(row.id, { ...facts, status: 'ready', sha256: await store.take(file) });
    }
    await rm(`${file}.json`, { force: true });
  };

  const startCheck = (row: MaterialRow): void => {
    const job = check(row).catch((error: unknown) => {
      log.error({ err: error, materialId: row.id }, 'material check failed');
      repository.update(row.id, { status: 'refused', refusal: 'notMedia' });
    });
    running.add(job);
    void job.finally(() => running.delete(job));
  };

  return {
    uploadsDir,

    /** Registers a file that was received whole; it is checked in the background. The id is the upload's. */
    register(actor: Actor, upload: { id: string; fileName: string; byteLength: number }): string {
      const row: MaterialRow = {
        id: newId(),
        schoolId: actor.schoolId,
        ownerId: actor.id,
        title: path.parse(upload.fileName).name.replaceAll('_', ' ').trim() || upload.fileName,
        fileName: upload.fileName,
        byteLength: upload.byteLength,
        status: 'checking',
        refusal: null,
        sha256: null,
        lengthMs: null,
        mimeType: null,
        width: null,
        height: null,
        uploadId: upload.id,
        createdAt: clock(),
      };
      repository.insert(row);
      startCheck(row);
      return row.id;
    },

    /** What became of an upload of the actor's that was received whole. */
    findReceived: (actor: Actor, uploadId: string) => repository.findByUpload(actor, uploadId),

    /** Takes up the checks that a stop of the server cut short. */
    resumeChecks(): void {
      for (const row of repository.listChecking()) startCheck(row);
    },

    /** For stopping, and for tests: waits until every check that runs is done. */
    async settle(): Promise<void> {
      await Promise.all(running);
    },

    list: (actor: Actor) => repository.listOwned(actor),

    read: (actor: Actor, materialId: string) => found(repository.findOwned(actor, materialId)),

    /** @throws Refused notFound when it is not the actor's, or is used in a lesson */
    async remove(actor: Actor, materialId: string): Promise<void> {
      const material = found(repository.findOwned(actor, materialId));
      if (material.usedIn.length > 0) throw new Refused('changeImpossible', { usedIn: material.usedIn });
      const row = found(repository.findInSchool(actor.schoolId, materialId));
      repository.remove(materialId);
      if (row.sha256 && !repository.isHashUsed(row.sha256)) await store.remove(row.sha256);
    },

    /** The file of a ready material, for anybody signed in to its school. */
    findFile(actor: Actor, materialId: string): { path: string; mimeType: string } {
      const row = found(repository.findInSchool(actor.schoolId, materialId));
      return { path: store.pathOf(found(row.sha256)), mimeType: found(row.mimeType) };
    },

    /**
     * Replaces the captions of a material by those of a file. The good cues are kept; faults are told by line.
     * @throws Refused captionsUnreadable when not one cue could be read; the captions before stay
     */
    bringInCaptions(actor: Actor, materialId: string, bytes: Uint8Array) {
      found(repository.findOwned(actor, materialId));
      const { cues, faults } = readCaptions(bytes);
      if (cues.length === 0) throw new Refused('captionsUnreadable', { faults: faults.slice(0, 50) });
      repository.replaceCaptions(materialId, cues, clock());
      return { cueCount: cues.length, faults: faults.slice(0, 200) };
    },

    readCaptions(actor: Actor, materialId: string) {
      found(repository.findInSchool(actor.schoolId, materialId));
      return [...repository.readCaptions(materialId)];
    },

    writeCaptions(actor: Actor, materialId: string): string {
      found(repository.findOwned(actor, materialId));
      return writeVtt(repository.readCaptions(materialId));
    },
  };
}
