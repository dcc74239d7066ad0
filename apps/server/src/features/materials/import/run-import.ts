import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { residentBytes } from '../../../reading/reader.ts';
import {
  type ImportedMaterial,
  type ImportedQuestions,
  type ImportRefusal,
  ImportRefused,
  type RawSlide,
} from './import-result.ts';
import type { DeckFormat, DocumentFormat } from './sniff-format.ts';

/** What bringing in one document may cost. Beyond it the document is refused and the server goes on. */
export const importLimits = { timeMs: 180_000, memoryBytes: 1024 ** 3, heapMb: 768 };

export interface ImportLimits {
  readonly timeMs: number;
  readonly memoryBytes: number;
  /** Aborted when the server stops: nobody waits for a document then. */
  readonly stopping?: AbortSignal | undefined;
}

export type MaterialFormat = DocumentFormat | DeckFormat | 'picture' | 'oldOffice';
export type ImportFormat = MaterialFormat | 'questions';

export interface ImportOrder<F extends ImportFormat = ImportFormat> {
  readonly file: string;
  readonly format: F;
  /** Tells apart what bytes of older formats do not. */
  readonly fileName: string;
  readonly outDir: string;
}

/** What becomes of a format. */
export type ImportedAs<F extends ImportFormat> = F extends 'questions' ? ImportedQuestions : ImportedMaterial;

export type ImportMessage =
  | { readonly type: 'progress'; readonly share: number }
  /** The words of slides are written; their drawings follow. */
  | { readonly type: 'words' }
  | { readonly type: 'done' }
  | { readonly type: 'refused'; readonly reason: ImportRefusal };

/** The child writes what it read here, since it can be many megabytes. */
export const resultFileName = 'imported.json';
export const wordsFileName = 'words.json';

export interface ImportListener {
  readonly onProgress: (share: number) => void;
  readonly onWords: (slides: readonly RawSlide[]) => void;
}

const isSource = import.meta.url.endsWith('.ts');
const childFile = fileURLToPath(new URL(isSource ? './import-child.ts' : './import-child.js', import.meta.url));
const execArgv = [
  `--max-old-space-size=${importLimits.heapMb}`,
  ...(isSource ? ['--conditions=source', '--import', 'tsx'] : []),
];

/**
 * Reads a document in a process of its own, watched for time and memory: what libraries do with a file made to harm
 * cannot reach the server.
 * @throws ImportRefused with the reason a teacher is told
 */
export async function runImport<F extends ImportFormat>(
  order: ImportOrder<F>,
  listener: ImportListener,
  limits: ImportLimits = importLimits,
): Promise<ImportedAs<F>> {
  await mkdir(order.outDir, { recursive: true });
  await work(order, listener, limits);
  return JSON.parse(await readFile(path.join(order.outDir, resultFileName), 'utf8')) as ImportedAs<F>;
}

function work(
  order: ImportOrder,
  listener: ImportListener,
  { timeMs, memoryBytes, stopping }: ImportLimits,
): Promise<void> {
  const child = fork(childFile, [], {
    execArgv,
    env: { NODE_ENV: 'production' },
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    killSignal: 'SIGKILL',
    ...(stopping ? { signal: stopping } : {}),
  });
  return new Promise((resolve, reject) => {
    const end = (settle: () => void) => {
      clearTimeout(deadline);
      clearInterval(watch);
      child.removeAllListeners();
      child.kill('SIGKILL');
      settle();
    };
    const refuse = (reason: ImportRefusal) => end(() => reject(new ImportRefused(reason)));
    const deadline = setTimeout(() => refuse('tooSlow'), timeMs);
    const watch = setInterval(() => {
      residentBytes(child.pid).then(
        (bytes) => {
          if (bytes > memoryBytes) refuse('tooMuchMemory');
        },
        (error) => end(() => reject(error)),
      );
    }, 100);
    const hear = (message: ImportMessage) => {
      if (message.type === 'progress') listener.onProgress(message.share);
      else if (message.type === 'words')
        listener.onWords(JSON.parse(readFileSync(path.join(order.outDir, wordsFileName), 'utf8')));
      else if (message.type === 'refused') refuse(message.reason);
      else end(resolve);
    };
    child.on('message', (message: ImportMessage) => {
      // Who listens writes to the disk, which may be full; thrown from here it would end the server.
      try {
        hear(message);
      } catch (error) {
        end(() => reject(error));
      }
    });
    child.on('error', (error) => end(() => reject(error)));
    // A heap that is full ends the process by itself, before the watch sees it.
    child.on('exit', (_code, signal) => refuse(signal === 'SIGABRT' ? 'tooMuchMemory' : 'damaged'));
    child.send(order);
  });
}
