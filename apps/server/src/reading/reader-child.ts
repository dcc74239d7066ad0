import { readFile } from 'node:fs/promises';
import { readCaptions } from '@semita/core/captions';
import { probeMedia } from './probe-media.ts';
import type { ReadAnswer, ReadOrder, ReadResults } from './reader.ts';

// The process reads one file after the other, and is ended by its parent; orphaned, by itself.
process.on('message', async ({ id, order }: { readonly id: number; readonly order: ReadOrder }) => {
  let answer: ReadAnswer;
  try {
    answer = { id, ok: true, result: await read(order) };
  } catch {
    answer = { id, ok: false };
  }
  process.send?.(answer);
});
process.on('disconnect', () => process.exit());
process.send?.({ type: 'ready' });

async function read(order: ReadOrder): Promise<ReadResults[keyof ReadResults]> {
  if (order.kind === 'media') return probeMedia(order.file, order.byteLength);
  return readCaptions(await readFile(order.file));
}
