import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { Refused } from '../http/refused.ts';
import { createFairQueue, type Lane, QueueFull } from '../reading/fair-queue.ts';
import type { Table } from './table.ts';

export type WorkbookWriter = ReturnType<typeof createWorkbookWriter>;

const isSource = import.meta.url.endsWith('.ts');
const childFile = fileURLToPath(new URL(isSource ? './workbook-child.ts' : './workbook-child.js', import.meta.url));
const execArgv = isSource ? ['--conditions=source', '--import', 'tsx'] : [];

/** A year group's answers to two hundred questions take about ten seconds. */
const longestMs = 60_000;

/**
 * Writes workbooks in a process of their own, one at a time: all of a year group's answers take seconds, in which the
 * students who send theirs would wait.
 */
export function createWorkbookWriter() {
  const turns = createFairQueue({ places: 1, maxWaiting: 3 });
  return {
    /** @throws Refused tooManyRequests where the person has several waiting already */
    async write(lane: Lane, table: Table): Promise<Buffer> {
      try {
        return await turns.run(lane, () => writeApart(table));
      } catch (error) {
        throw error instanceof QueueFull ? new Refused('tooManyRequests') : error;
      }
    },
  };
}

function writeApart(table: Table): Promise<Buffer> {
  const child = fork(childFile, [], {
    ...{ execArgv, serialization: 'advanced', timeout: longestMs, killSignal: 'SIGKILL' },
    ...{ env: { NODE_ENV: 'production' }, stdio: ['ignore', 'ignore', 'ignore', 'ipc'] },
  });
  return new Promise((resolve, reject) => {
    child.once('message', (bytes: Uint8Array) => resolve(Buffer.from(bytes)));
    child.once('error', reject);
    // After an answer this changes nothing.
    child.once('exit', () => reject(new Error('A workbook was not written')));
    child.send(table, (error) => error && reject(error));
  });
}
