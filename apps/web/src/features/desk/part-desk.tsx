import {
  type Fault,
  gapTimeMs,
  type LessonChange,
  lineAt,
  type Part,
  type ReadingBlock,
  readingScript,
  scriptOf,
} from '@semita/core';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { type FilmControls, FilmStage } from '../film/film-stage.tsx';
import { captionsOptions } from '../film/queries.ts';
import { phrasesOf } from '../reading/phrases-of.ts';
import { readingOptions } from '../reading/queries.ts';
import { ReadingText } from '../reading/reading-text.tsx';
import { scriptActions } from './script-actions.ts';
import { ScriptView } from './script-view.tsx';

interface Props {
  readonly part: Part;
  /** Length of the material, in ms. */
  readonly lengthMs: number;
  readonly faults: readonly Fault[];
  readonly openStopId: string | null;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly apply: (change: LessonChange) => boolean;
  readonly film: React.RefObject<FilmControls | null>;
  /** Under the stage. */
  readonly children: ReactNode;
}

/** Script and stage of one part, in step with each other. */
export function PartDesk(props: Props) {
  return props.part.kind === 'clip' ? <ClipDesk {...props} /> : <ReadingDesk {...props} />;
}

function ClipDesk({ part, lengthMs, faults, openStopId, setOpenStop, apply, film, children }: Props) {
  const captions = useQuery(captionsOptions(part.materialId));
  const lines = useMemo(() => scriptOf(captions.data ?? [], lengthMs), [captions.data, lengthMs]);
  const [chosenLine, setChosenLine] = useState<number | null>(null);
  // Work begins at the first gap that students come by.
  const firstLine = lines.findIndex((_, index) => gapTimeMs(lines, index + 1) >= part.inMs);
  const cursor = chosenLine ?? Math.max(0, firstLine);
  const isPlaying = useRef(false);
  const setCursor = (line: number) => {
    setChosenLine(line);
    const startMs = lines[line]?.startMs;
    // While the film plays, the script follows it and not the other way round.
    if (startMs !== undefined && !isPlaying.current && line !== cursor) film.current?.seek(startMs);
  };
  return (
    <>
      <section aria-label={t('desk.script')} className="min-h-0 overflow-y-auto bg-card">
        <ScriptView
          part={part}
          lines={lines}
          faults={faults}
          openStopId={openStopId}
          cursor={cursor}
          actions={scriptActions({ part, lines, apply, setOpenStop, setCursor })}
        />
      </section>
      <Stage>
        <FilmStage
          ref={film}
          src={pathOf('streamMedia', { materialId: part.materialId })}
          title={part.title}
          inMs={0}
          outMs={lengthMs}
          startMs={part.inMs}
          limitMs={lengthMs}
          lines={lines}
          maxRate={2}
          onPlaying={(playing) => {
            isPlaying.current = playing;
          }}
          onPlace={(atMs) => {
            if (isPlaying.current) setChosenLine(lineAt(lines, atMs));
          }}
        />
        {children}
      </Stage>
    </>
  );
}

function ReadingDesk(props: Props) {
  const reading = useQuery(readingOptions(props.part.materialId));
  return <QueryView query={reading}>{(blocks) => <ReadingDeskView {...props} blocks={blocks} />}</QueryView>;
}

function ReadingDeskView({
  part,
  faults,
  openStopId,
  setOpenStop,
  apply,
  blocks,
  children,
}: Props & { readonly blocks: readonly ReadingBlock[] }) {
  const lines = useMemo(() => readingScript(blocks), [blocks]);
  const [cursor, setCursor] = useState(0);
  const phrases = useMemo(() => phrasesOf(part.stops), [part.stops]);
  const page = useRef<HTMLDivElement>(null);
  const currentId = lines[cursor]?.id ?? null;
  // The page follows the script.
  useEffect(() => {
    const block = page.current?.querySelector<HTMLElement>(`[data-block="${currentId}"]`);
    if (block && page.current) page.current.scrollTop = block.offsetTop - page.current.clientHeight / 3;
  }, [currentId]);
  return (
    <>
      <section aria-label={t('desk.script')} className="min-h-0 overflow-y-auto bg-card">
        <ScriptView
          part={part}
          lines={lines}
          faults={faults}
          openStopId={openStopId}
          cursor={Math.min(cursor, lines.length - 1)}
          actions={scriptActions({ part, lines, apply, setOpenStop, setCursor })}
        />
      </section>
      <Stage>
        <section
          ref={page}
          aria-label={part.title}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keys
          tabIndex={0}
          className="relative max-h-[55dvh] overflow-y-auto rounded-card border border-line bg-card p-5 text-14"
        >
          <ReadingText blocks={blocks} currentId={currentId} phrases={phrases} />
        </section>
        {children}
      </Stage>
    </>
  );
}

function Stage({ children }: { readonly children: ReactNode }) {
  return (
    <section aria-label={t('desk.stage')} className="flex min-h-0 flex-col gap-5 overflow-y-auto p-4 *:shrink-0">
      {children}
    </section>
  );
}
