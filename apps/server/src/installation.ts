import fs from 'node:fs';
import path from 'node:path';
import { v7 } from 'uuid';
import { openDb } from './db/open.ts';
import type { Deps } from './deps.ts';
import { createEventBus } from './events/event-bus.ts';
import { createLog } from './log.ts';

export const databaseFileName = 'semita.db';

/** Opens the folder in which an installation keeps everything, making it where it is missing. */
export function openInstallation(dataDir: string, change: Partial<Pick<Deps, 'clock' | 'log' | 'newId'>> = {}): Deps {
  for (const folder of ['media', 'uploads']) fs.mkdirSync(path.join(dataDir, folder), { recursive: true, mode: 0o700 });
  // Children's work is nobody else's on this machine.
  fs.chmodSync(dataDir, 0o700);
  const log = change.log ?? createLog(process.env.LOG_LEVEL ?? 'warn');
  return {
    db: openDb(path.join(dataDir, databaseFileName)),
    bus: createEventBus(log),
    log,
    clock: change.clock ?? Date.now,
    newId: change.newId ?? (() => v7()),
    dataDir: path.resolve(dataDir),
  };
}
