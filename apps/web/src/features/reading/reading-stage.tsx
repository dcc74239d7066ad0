import type { Inset } from '@semita/core/lesson';
import type { ReadingBlock } from '@semita/core/reading';
import type { ScriptLine } from '@semita/core/script';
import { type ReactNode, type Ref, useEffect, useImperativeHandle, useRef } from 'react';
import type { FilmControls } from '../film/film-stage.tsx';
import { ReadingText } from './reading-text.tsx';
import { watchReading } from './watch-reading.ts';

interface Props {
  readonly ref?: Ref<FilmControls>;
  readonly title: string;
  readonly blocks: readonly ReadingBlock[];
  readonly lines: readonly ScriptLine[];
  readonly startMs: number;
  /** The place in the text up to which it may be read now. */
  readonly limitMs: number;
  /** What stands below the last block that is shown; null for nothing. */
  readonly footWords: string | null;
  /** Why the text may not be read now; null when it may. */
  readonly lockedWords: string | null;
  readonly insets?: readonly Inset[] | undefined;
  /** Stands at the end of the text, once all of it is shown. */
  readonly end?: ReactNode;
  readonly phrases: ReadonlyMap<string, readonly string[]>;
  readonly isMet: (line: ScriptLine) => boolean;
  readonly onMet: (fromMs: number, toMs: number) => void;
}

/** A text as students read it: as far as the next stop, told block by block what was read. */
export function ReadingStage(props: Props) {
  const { title, blocks, lines, startMs, limitMs, footWords, lockedWords, phrases, insets, end } = props;
  const text = useRef<HTMLDivElement>(null);
  const watch = useRef<ReturnType<typeof watchReading>>(null);
  const latest = useRef(props);
  latest.current = props;
  // A stop inside a block shows the whole of it.
  const shown = lines.filter((line) => line.startMs < limitMs).length;

  const scrollTo = (ms: number) => {
    const line = lines.findLast((one) => one.startMs <= ms) ?? lines[0];
    const block = text.current?.querySelector(`[data-block="${line?.id}"]`);
    block?.scrollIntoView({ block: 'center' });
  };
  useImperativeHandle(props.ref, () => ({
    play: () => undefined,
    pause: () => undefined,
    seek: scrollTo,
    nowMs: () => startMs,
    flush: () => undefined,
    setMuted: () => undefined,
  }));

  useEffect(() => {
    if (!text.current || lockedWords !== null) return;
    const watched = watchReading(text.current, {
      lines: () => latest.current.lines.filter((line) => line.startMs < latest.current.limitMs),
      isMet: (line) => latest.current.isMet(line),
      onMet: ({ startMs: from, endMs: to }) => latest.current.onMet(from, to),
    });
    watch.current = watched;
    return watched.dispose;
  }, [lockedWords]);

  // The text has grown: there is more to watch, and of a block that held the stop the rest is still to be met.
  const limitBefore = useRef(limitMs);
  useEffect(() => {
    const held = lines.find((line) => line.startMs < limitBefore.current && line.endMs > limitBefore.current);
    if (held) watch.current?.forget(held.id);
    limitBefore.current = limitMs;
    watch.current?.refresh();
  }, [limitMs, lines]);

  // Leads once to where the reader was.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when it opens
  useEffect(() => {
    if (startMs > 0) scrollTo(startMs);
  }, []);

  return (
    <article aria-label={title} className="rounded-card border border-line bg-card px-5 py-6 sm:px-10 sm:py-8">
      {lockedWords !== null ? (
        <p className="text-quiet">{lockedWords}</p>
      ) : (
        <>
          <ReadingText ref={text} blocks={blocks.slice(0, Math.max(1, shown))} phrases={phrases} insets={insets} />
          {shown >= lines.length && footWords === null && end}
          {footWords && <p className="mt-6 border-t border-line pt-4 text-14 text-quiet">{footWords}</p>}
        </>
      )}
    </article>
  );
}
