import fs from 'node:fs';
import { readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { listFiles } from './db/named-files.ts';
import type { Deps } from './deps.ts';
import { workFolder } from './features/materials/bring-in.ts';
import { createMediaStore, incomingFolder } from './features/materials/media-store.ts';

/** Takes away what a stop of the server left lying about; what it cut short begins again from the received file. */
export async function removeLeftOvers(dataDir: string): Promise<void> {
  await rm(path.join(dataDir, incomingFolder), { recursive: true, force: true });
  const uploads = path.join(dataDir, 'uploads');
  const names = await readdir(uploads).catch(() => []);
  for (const name of names)
    if (name.startsWith(workFolder)) await rm(path.join(uploads, name), { recursive: true, force: true });
}

/** How many files the database names that are not there. */
export function countMissing({ db, dataDir }: Pick<Deps, 'db' | 'dataDir'>): number {
  const { pathOf } = createMediaStore(dataDir);
  return listFiles(db.$client).filter((sha256) => !fs.existsSync(pathOf(sha256))).length;
}
