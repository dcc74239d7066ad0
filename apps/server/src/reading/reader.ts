import { type ChildProcess, spawn } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import type { CaptionReading } from '@semita/core/captions';
import { hashFile } from '../features/materials/media-store.ts';
import { createFairQueue, type Lane } from './fair-queue.ts';
import type { Probe } from './probe-media.ts';

/** What a child is asked to read, and what it answers. */
export type ReadOrder =
  | { readonly kind: 'media'; readonly file: string; readonly byteLength: number }
  | { readonly kind: 'captions'; readonly file: string };

export interface ReadResults {
  readonly media: Probe;
  readonly captions: CaptionReading;
}

export type ReadAnswer =
  | { readonly id: number; readonly ok: true; readonly result: ReadResults[keyof ReadResults] }
  | { readonly id: number; readonly ok: false };

/** A file did not let itself be read: the child that tried ran out of time or memory, or fell. */
export class ReadFailed extends Error {}

/** What reading one file may cost. */
const limits = { heapMb: 192, residentBytes: 400 * 1024 ** 2, uses: 50 };

const maxWaitingPerPerson = 20;
/** Files that brought a child down are known by their hashes, and not read again by this server. */
const maxRemembered = 1_000;

const isSource = import.meta.url.endsWith('.ts');
/** What is compiled on the way, as in tests, asks for more addresses than it ever uses. */
const maxAddressKb = isSource ? 16_000_000 : 1_500_000;
const script = fileURLToPath(new URL(isSource ? './reader-child.ts' : './reader-child.js', import.meta.url));
const nodeArguments = [
  `--max-old-space-size=${limits.heapMb}`,
  ...(isSource ? ['--conditions=source', '--import', 'tsx'] : []),
  script,
];

/**
 * Reads what others made, films and captions, in a process of its own that is watched for time and memory: whatever
 * a file does to it cannot reach the server. The process is kept warm, and replaced after fifty files or one that it
 * did not survive.
 * @param timeMs how long one file may take
 */
export function createReader({ timeMs }: { readonly timeMs: number }) {
  const turns = createFairQueue({ places: 1, maxWaiting: maxWaitingPerPerson });
  const fatal = new Set<string>();
  let child: Promise<ChildProcess> | null = null;
  let used = 0;
  let nextId = 0;
  // Where it cannot be had, as under some systems, the limits of heap and resident memory have to do.
  let hasAddressLimit = true;

  /** @throws when the process ends before it is ready */
  const startOnce = (): Promise<ChildProcess> => {
    used = 0;
    // Buffers lie outside the heap: the limit on addresses holds for them too.
    const limit = hasAddressLimit ? `ulimit -v ${maxAddressKb} && ` : '';
    const command = `${limit}ulimit -c 0; exec "$0" "$@"`;
    const started = spawn('sh', ['-c', command, process.execPath, ...nodeArguments], {
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      env: { NODE_ENV: 'production' },
    });
    // Idle, it keeps nobody from stopping; it ends by itself when its parent has.
    started.unref();
    started.channel?.unref();
    return new Promise((resolve, reject) => {
      const lost = () => reject(new Error('the reader did not start'));
      started.once('exit', lost);
      started.once('error', lost);
      started.once('message', () => {
        started.removeAllListeners();
        resolve(started);
      });
    });
  };

  const start = async (): Promise<ChildProcess> => {
    try {
      return await startOnce();
    } catch (error) {
      if (!hasAddressLimit) throw error;
      hasAddressLimit = false;
      return startOnce();
    }
  };

  const replace = () => {
    const old = child;
    child = null;
    old?.then((process) => process.kill('SIGKILL')).catch(() => undefined);
  };

  const readNow = async (order: ReadOrder): Promise<ReadResults[keyof ReadResults]> => {
    child ??= start();
    const asked = await child.catch((error: unknown) => {
      child = null;
      throw error;
    });
    const id = nextId++;
    return new Promise((resolve, reject) => {
      const end = (settle: () => void, isBad: boolean) => {
        clearTimeout(deadline);
        clearInterval(watch);
        asked.removeAllListeners();
        // A child that is killed may still say so.
        asked.on('error', () => undefined);
        if (isBad || ++used >= limits.uses) replace();
        settle();
      };
      const fail = () => end(() => reject(new ReadFailed()), true);
      const deadline = setTimeout(fail, timeMs);
      const watch = setInterval(() => {
        residentBytes(asked.pid).then(
          (bytes) => bytes > limits.residentBytes && fail(),
          (error) => end(() => reject(error), true),
        );
      }, 100);
      asked.on('message', (answer: ReadAnswer) => {
        if (answer.id !== id) return;
        if (answer.ok) end(() => resolve(answer.result), false);
        else fail();
      });
      asked.on('error', fail);
      asked.on('exit', fail);
      // What goes wrong here is told by `exit` as well.
      asked.send({ id, order }, () => undefined);
    });
  };

  return {
    /**
     * Reads a file when its turn comes.
     * @throws ReadFailed, and QueueFull when the person has too many waiting
     */
    read<K extends keyof ReadResults>(lane: Lane, order: Extract<ReadOrder, { kind: K }>): Promise<ReadResults[K]> {
      return turns.run(lane, async () => {
        const hash = fatal.size > 0 ? await hashFile(order.file) : null;
        if (hash !== null && fatal.has(hash)) throw new ReadFailed();
        try {
          return (await readNow(order)) as ReadResults[K];
        } catch (error) {
          if (error instanceof ReadFailed && fatal.size < maxRemembered)
            fatal.add(hash ?? (await hashFile(order.file)));
          throw error;
        }
      });
    },
    close: replace,
  };
}

export type Reader = ReturnType<typeof createReader>;

/** Memory in use by a process, as Linux tells it; elsewhere the other limits have to do. */
export async function residentBytes(pid: number | undefined): Promise<number> {
  try {
    const pages = (await readFile(`/proc/${pid}/statm`, 'utf8')).split(' ')[1];
    return Number(pages) * 4096;
  } catch (error) {
    // It has ended: before its file was opened, or while it was read.
    if (['ENOENT', 'ESRCH'].includes((error as NodeJS.ErrnoException).code ?? '')) return 0;
    throw error;
  }
}
