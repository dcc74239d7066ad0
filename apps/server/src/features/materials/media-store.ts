import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { link, mkdir, open, rm } from 'node:fs/promises';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';

/** Where files lie while they are received and looked into; nothing in it outlives a request. */
export const incomingFolder = 'incoming';

/** SHA-256 of a file of any size, in hex. */
export async function hashFile(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Films and pictures as files named by their SHA-256, in folders by its first two digits. Streams; never holds a file in memory. */
export function createMediaStore(dataDir: string) {
  const root = path.join(dataDir, 'media');
  const pathOf = (sha256: string) => path.join(root, sha256.slice(0, 2), sha256);
  return {
    root,
    pathOf,

    /** Takes a file into the store, which shares it with where it was; the same content twice is stored once. */
    async take(file: string): Promise<string> {
      const sha256 = await hashFile(file);
      await mkdir(path.dirname(pathOf(sha256)), { recursive: true });
      const handle = await open(file, 'r+');
      await handle.sync();
      await handle.close();
      try {
        await link(file, pathOf(sha256));
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      }
      return sha256;
    },

    async remove(sha256: string): Promise<void> {
      await rm(pathOf(sha256), { force: true });
    },
  };
}

export type MediaStore = ReturnType<typeof createMediaStore>;
