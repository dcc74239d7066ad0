import type { BlockAnchor } from '../elements/block-anchor.ts';
import type { BlockKind } from '../script/block-kind.ts';
import type { ScriptLine } from '../script/script.ts';

/** One piece of a text: what a stop can stand behind. */
export interface ReadingBlock {
  /** Stays with the block when a newer version of the document is brought in. */
  readonly id: string;
  readonly kind: BlockKind;
  /** Cleaned by the importer's one sanitiser; safe to show as it is. */
  readonly html: string;
  /** The same as plain text. */
  readonly text: string;
  /** How long it takes to read, whole ms. */
  readonly lengthMs: number;
}

/** A text as lines of a script: every block one line, on the axis of the time that reading takes. */
export function readingScript(blocks: readonly ReadingBlock[]): readonly ScriptLine[] {
  let atMs = 0;
  return blocks.map(({ id, kind, text, lengthMs }) => {
    const startMs = atMs;
    atMs += lengthMs;
    return { id, startMs, endMs: atMs, text, tone: kind };
  });
}

export function readingLengthMs(blocks: readonly ReadingBlock[]): number {
  return blocks.reduce((sum, block) => sum + block.lengthMs, 0);
}

/** The anchor of a stop that is put into a gap of a text or of slides. Gap 0 is before the first line, gap i after line i. */
export function anchorAt(lines: readonly ScriptLine[], gap: number): BlockAnchor {
  return { blockId: lines[gap - 1]?.id ?? null, number: Math.min(gap, lines.length) };
}

/**
 * Where an anchor stands on the axis of a script: at the end of its block, or at the end of its words within it.
 * @returns whole ms, or null when the block or its words are not there
 */
export function anchorTimeMs(lines: readonly ScriptLine[], { blockId, phrase }: BlockAnchor): number | null {
  if (blockId === null) return lines[0]?.startMs ?? 0;
  const line = lines.find((one) => one.id === blockId);
  if (!line) return null;
  if (phrase === undefined) return line.endMs;
  const text = line.text ?? '';
  const at = text.indexOf(phrase);
  if (at < 0 || phrase === '') return null;
  const share = (at + phrase.length) / text.length;
  // Never at the very end, which is the place of the stops behind the block.
  return Math.min(
    line.endMs - 1,
    Math.max(line.startMs + 1, Math.round(line.startMs + share * (line.endMs - line.startMs))),
  );
}
