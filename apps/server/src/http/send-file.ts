import type { Response } from 'express';

/** Sends a stored file, in ranges where asked; it can do nothing in the reader's browser but be shown. */
export async function sendFile(
  res: Response,
  file: {
    readonly path: string;
    readonly mimeType: string;
    readonly attachmentName?: string | undefined;
    /** Somebody's own: kept nowhere but here. */
    readonly isPersonal?: boolean;
  },
): Promise<void> {
  if (file.attachmentName === undefined) res.set('content-disposition', 'inline');
  else res.attachment(file.attachmentName);
  res.set({
    'content-type': file.mimeType,
    'content-security-policy': "sandbox; default-src 'none'",
    // What is brought in never changes, so what was fetched once stays right; `private` keeps it off shared caches.
    'cache-control': file.isPersonal ? 'no-store' : 'private, max-age=604800, immutable',
  });
  await new Promise<void>((resolve, reject) => {
    res.sendFile(file.path, { cacheControl: false }, (error) => {
      // A player drops the connection whenever it seeks; that is no error of ours.
      if (error && (error as NodeJS.ErrnoException).code !== 'ECONNABORTED' && !res.headersSent) reject(error);
      else resolve();
    });
  });
}
