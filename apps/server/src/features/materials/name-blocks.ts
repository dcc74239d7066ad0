import { createHash } from 'node:crypto';
import { matchBlocks, type ReadingBlock, readingTimeMs } from '@semita/core';
import type { RawBlock } from './import/import-result.ts';

/**
 * Gives blocks their ids: those of the blocks they continue in an older version, else one made of what they hold, so
 * that the same document brought in twice has the same ids.
 */
export function nameBlocks(blocks: readonly RawBlock[], older: readonly ReadingBlock[]): ReadingBlock[] {
  const continued = matchBlocks(older, blocks);
  const taken = new Set(continued);
  return blocks.map(({ kind, html, text, pictureCount }, index) => ({
    id: continued[index] ?? newId(html, taken),
    kind,
    html,
    text,
    lengthMs: readingTimeMs(text, pictureCount),
  }));
}

function newId(html: string, taken: Set<string | null>): string {
  const stem = createHash('sha256').update(html).digest('hex').slice(0, 12);
  let id = stem;
  for (let number = 2; taken.has(id); number++) id = `${stem}-${number}`;
  taken.add(id);
  return id;
}
