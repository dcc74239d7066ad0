import { readdir, readFile, stat } from 'node:fs/promises';
import path from 'node:path';
import { type ErrorCode, statusOfError } from '@semita/core/contract';
import { FileStore } from '@tus/file-store';
import { Server } from '@tus/server';
import type { Request, Response } from 'express';
import { assertRoomFor } from '../../http/disk-space.ts';
import { Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { MaterialService } from './material-service.ts';

/** The largest film that is taken: 2 GiB. */
export const largestUploadBytes = 2 * 1024 ** 3;

/** Uploads that one person may have under way, and how much of them may be still to come. */
const maxBegun = 12;
const maxBytesBegun = 6 * 1024 ** 3;

/**
 * Resumable uploads by the tus protocol 1.0. An upload belongs to the teacher who began it: nobody else can go on
 * with it, look at it or end it. The last request's answer names the material in `x-material-id`.
 */
export function createUploadServer(materials: MaterialService, findActor: (req: Request) => Actor | null) {
  const store = new FileStore({ directory: materials.uploadsDir, expirationPeriodInMilliseconds: 24 * 3_600_000 });
  const actorOf = (request: unknown) => findActor(request as Request);
  const server = new Server({
    path: '/api/files',
    datastore: store,
    maxSize: largestUploadBytes,
    relativeLocation: true,
    respectForwardedHeaders: false,
    onIncomingRequest: async (request, uploadId) => {
      // A creation has its new id here already; a POST can also stand for another method by a header.
      const isCreation = request.method === 'POST' && !request.headers.has('x-http-method-override');
      if (isCreation) return;
      const upload = await store.getUpload(uploadId);
      if (upload.metadata?.ownerId !== actorOf(nodeRequestOf(request))?.id)
        throw { status_code: 404, body: 'not found' };
    },
    onUploadCreate: async (request, upload) => {
      // Uploads that nobody has gone on with for a day make room for the new one.
      await server.cleanUpExpiredUploads();
      const ownerId = actorOf(nodeRequestOf(request))?.id ?? '';
      await assertMayBegin(ownerId, upload.size ?? 0);
      return { metadata: { ...upload.metadata, ownerId } };
    },
    onUploadFinish: async (request, upload) => {
      const actor = actorOf(nodeRequestOf(request));
      if (!actor) throw { status_code: 401, body: 'not signed in' };
      const fileName = (upload.metadata?.filename ?? 'film').slice(0, 200);
      const replacesId = upload.metadata?.replaces ?? null;
      const received = { id: upload.id, fileName, byteLength: upload.size ?? 0, replacesId };
      const materialId = materials.register(actor, received);
      return { headers: { 'x-material-id': materialId } };
    },
  });

  /** Room is taken when an upload begins, not when it ends: so many begun by one person, and so much of the disk. */
  const assertMayBegin = async (ownerId: string, bytes: number): Promise<void> => {
    const begun = await listBegun(materials.uploadsDir, ownerId);
    const all = begun.reduce((sum, size) => sum + size, bytes);
    if (begun.length >= maxBegun || all > maxBytesBegun) throw refusalOf('tooManyRequests');
    await assertRoomFor(materials.uploadsDir, all).catch((error: unknown) => {
      throw error instanceof Refused ? refusalOf(error.code) : error;
    });
  };

  /**
   * The file of a whole upload has moved on, and the library no longer knows it. A browser that never got the last
   * answer asks here how far it came: told that it is done, it does not send two gigabytes again.
   */
  const answerReceived = (req: Request, res: Response): boolean => {
    const actor = findActor(req);
    const received = req.method === 'HEAD' && actor && materials.findReceived(actor, path.basename(req.path));
    if (!received) return false;
    const length = String(received.byteLength);
    res.set({
      'tus-resumable': '1.0.0',
      'upload-offset': length,
      'upload-length': length,
      'cache-control': 'no-store',
      'x-material-id': received.id,
    });
    res.status(200).end();
    return true;
  };

  return {
    handle: async (req: Request, res: Response): Promise<void> => {
      if (!answerReceived(req, res)) await server.handle(req, res);
    },
  };
}

/** How many bytes are still to come of each upload that somebody has begun; those that are whole wait for nobody. */
async function listBegun(folder: string, ownerId: string): Promise<number[]> {
  const names = (await readdir(folder)).filter((name) => name.endsWith('.json'));
  const toCome = names.map(async (name) => {
    const upload = await readUpload(path.join(folder, name));
    if (upload?.metadata?.ownerId !== ownerId) return 0;
    const received = await stat(path.join(folder, path.basename(name, '.json'))).catch(() => ({ size: 0 }));
    return Math.max(0, (upload.size ?? 0) - received.size);
  });
  return (await Promise.all(toCome)).filter((bytes) => bytes > 0);
}

async function readUpload(file: string): Promise<{ size?: number; metadata?: { ownerId?: string } } | null> {
  try {
    return JSON.parse(await readFile(file, 'utf8'));
  } catch {
    // It ended just now, or a full disk left half of what is known of it.
    return null;
  }
}

/** In the form in which the library passes an answer on. */
const refusalOf = (code: ErrorCode) => ({ status_code: statusOfError[code], body: JSON.stringify({ code }) });

/** The library hands over a web Request with Node's own inside. */
function nodeRequestOf(request: unknown): unknown {
  const runtime = (request as { runtime?: { node?: { req?: unknown } } }).runtime;
  return runtime?.node?.req ?? request;
}
