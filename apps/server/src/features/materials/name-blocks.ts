import { createHash } from 'node:crypto';
import type { Slide } from '@semita/core/deck';
import { matchBlocks } from '@semita/core/newer-version';
import type { ReadingBlock } from '@semita/core/reading';
import type { RawBlock, RawSlide } from './import/import-result.ts';

/**
 * Gives blocks their ids: those of the blocks they continue in an older version, else one made of what they hold, so
 * that the same document brought in twice has the same ids.
 */
export function nameBlocks(blocks: readonly RawBlock[], older: readonly ReadingBlock[]): ReadingBlock[] {
  const ids = idsOf(blocks, older);
  return blocks.map(({ pictureCount: _, ...block }, index) => ({ ...block, id: ids[index] as string }));
}

/**
 * The same for slides, whose ids are made of what they say: their drawings come later, and change with the program that
 * draws them.
 */
export function nameSlides(slides: readonly RawSlide[], older: readonly Slide[]): Slide[] {
  const said = <S extends RawSlide>(slide: S) => ({ ...slide, html: `${slide.text}\n${slide.notes}` });
  const ids = idsOf(slides.map(said), older.map(said));
  return slides.map((slide, index) => ({ ...slide, id: ids[index] as string }));
}

function idsOf(
  pieces: readonly { readonly html: string; readonly text: string }[],
  older: readonly { readonly id: string; readonly html: string; readonly text: string }[],
): string[] {
  const continued = matchBlocks(older, pieces);
  const taken = new Set(continued);
  return pieces.map(({ html }, index) => continued[index] ?? newId(html, taken));
}

function newId(html: string, taken: Set<string | null>): string {
  const stem = createHash('sha256').update(html).digest('hex').slice(0, 12);
  let id = stem;
  for (let number = 2; taken.has(id); number++) id = `${stem}-${number}`;
  taken.add(id);
  return id;
}
