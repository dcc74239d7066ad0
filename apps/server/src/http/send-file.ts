import { open } from 'node:fs/promises';
import path from 'node:path';
import type { Response } from 'express';
import parseRange from 'range-parser';
import { Refused } from './refused.ts';
import { sendRange } from './send-range.ts';

export interface SentFile {
  /** Its name is the hash of what is in it. */
  readonly path: string;
  readonly mimeType: string;
  readonly attachmentName?: string | undefined;
  /** Somebody's own: kept nowhere but here. */
  readonly isPersonal?: boolean;
}

/** The setting of the app that says where a proxy in front finds the media folder; absent where none sends files. */
export const proxyPlaceSetting = 'place of media at the proxy';

/**
 * Sends a stored file, in ranges where asked; it can do nothing in the reader's browser but be shown. Behind a proxy that
 * was set up for it, the proxy sends what this allows.
 * @throws Refused notFound where the file is missing
 */
export async function sendFile(res: Response, sent: SentFile): Promise<void> {
  const { req } = res;
  const file = await open(sent.path).catch((error: unknown) => {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') throw new Refused('notFound');
    throw error;
  });
  try {
    const { size } = await file.stat();
    const etag = `"${path.basename(sent.path)}"`;
    setHead(res, sent, etag);
    if (req.fresh) {
      res.status(304).end();
      return;
    }
    const atProxy: string | undefined = req.app.get(proxyPlaceSetting);
    // Both must say so: the installation where, and the proxy that this request came through it.
    if (atProxy !== undefined && req.get('x-semita-proxy') === 'sends-files') {
      const [folder, name] = sent.path.split(path.sep).slice(-2);
      res.set('x-accel-redirect', `${atProxy}${folder}/${name}`).end();
      return;
    }
    const range = wantedRange(req.headers, size, etag);
    if (range === 'outside') {
      res.status(416).set('content-range', `bytes */${size}`).end();
      return;
    }
    if (range) res.status(206).set('content-range', `bytes ${range.start}-${range.end}/${size}`);
    const { start, end } = range ?? { start: 0, end: size - 1 };
    res.set('content-length', String(end - start + 1));
    if (req.method === 'HEAD') res.end();
    else if (await sendRange(res, file, { start, end })) res.end();
  } finally {
    await file.close();
  }
}

function setHead(res: Response, { mimeType, attachmentName, isPersonal }: SentFile, etag: string): void {
  if (attachmentName === undefined) res.set('content-disposition', 'inline');
  else res.attachment(attachmentName);
  res.set({
    'content-type': mimeType,
    'content-security-policy': "sandbox; default-src 'none'",
    'accept-ranges': 'bytes',
    etag,
    // What is brought in never changes, so what was fetched once stays right; `private` keeps it off shared caches.
    'cache-control': isPersonal ? 'no-store' : 'private, max-age=604800, immutable',
  });
}

interface AskedHeaders {
  readonly range?: string | undefined;
  readonly 'if-range'?: string | string[] | undefined;
}

/**
 * The stretch that is asked for, by RFC 9110, 14: null for the whole. What cannot be read as ranges is none; of several
 * at once the whole is sent, which it allows; a range of another version of the file is none.
 */
function wantedRange(
  headers: AskedHeaders,
  size: number,
  etag: string,
): { start: number; end: number } | 'outside' | null {
  const { range, 'if-range': ifRange } = headers;
  if (range === undefined || (ifRange !== undefined && ifRange !== etag)) return null;
  const ranges = parseRange(size, range, { combine: true });
  if (ranges === -1) return 'outside';
  if (ranges === -2 || ranges.type !== 'bytes' || ranges.length !== 1) return null;
  return ranges[0] ?? null;
}
