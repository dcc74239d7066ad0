import { statfs } from 'node:fs/promises';
import { Refused } from './refused.ts';

/** Room that is left for the database and its log, whatever is uploaded: children's answers come first. */
export const keptFreeBytes = 256 * 1024 ** 2;

/**
 * Looks whether there is room for a file before it is received.
 * @throws Refused diskFull
 */
export async function assertRoomFor(folder: string, bytes: number): Promise<void> {
  const { bavail, bsize } = await statfs(folder);
  if (bavail * bsize - bytes < keptFreeBytes) throw new Refused('diskFull');
}

/** Whether something failed because the disk is full: said by the file system, or by SQLite. */
export function isDiskFull(error: unknown): boolean {
  for (let one: unknown = error; one instanceof Error; one = one.cause) {
    const code = 'code' in one ? one.code : undefined;
    if (code === 'ENOSPC' || code === 'EDQUOT' || code === 'SQLITE_FULL') return true;
  }
  return false;
}
