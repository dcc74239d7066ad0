import {
  isMaterialLocked,
  isSettled,
  type LearnerPart,
  type LearnerStop,
  metMs,
  partStateOf,
  playLimitMs,
  type ReadingBlock,
  readingScript,
  type ScriptLine,
  scriptOf,
  seekLimitMs,
} from '@semita/core';
import { useQuery } from '@tanstack/react-query';
import { lazy, type Ref, Suspense, useEffect, useMemo, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { type FilmControls, FilmStage } from '../film/film-stage.tsx';
import { captionsOptions } from '../film/queries.ts';
import { phrasesOf } from '../reading/phrases-of.ts';
import { readingOptions } from '../reading/queries.ts';
import type { WalkSession, WalkSnapshot } from './walk-session.ts';

const ReadingStage = lazy(async () => ({ default: (await import('../reading/reading-stage.tsx')).ReadingStage }));

interface Props {
  readonly ref: Ref<FilmControls>;
  readonly part: LearnerPart;
  readonly session: WalkSession;
  readonly snapshot: WalkSnapshot;
  readonly fullScreenOf: () => HTMLElement | null;
  readonly onPlaying: (isPlaying: boolean) => void;
}

/** The material of a part, held by its gates. */
export function PartStage(props: Props) {
  return props.part.kind === 'clip' ? <ClipPart {...props} /> : <ReadingPart {...props} />;
}

function ClipPart({ ref, part, session, snapshot, fullScreenOf, onPlaying }: Props) {
  const { state, terms } = snapshot;
  const captions = useQuery(captionsOptions(part.materialId));
  const lines = useMemo(() => scriptOf(captions.data ?? [], part.outMs), [captions.data, part.outMs]);
  const [startMs] = useState(() => partStateOf(state, part).positionMs);
  const isLocked = isMaterialLocked(session.context, state);
  const current = () => session.getSnapshot().state;
  return (
    <FilmStage
      ref={ref}
      src={pathOf('streamMedia', { materialId: part.materialId })}
      title={part.title}
      inMs={part.inMs}
      outMs={part.outMs}
      startMs={startMs}
      limitMs={seekLimitMs(part, state, terms)}
      lockedWords={isLocked ? t('walk.locked') : null}
      lines={lines}
      maxRate={terms.maxRate}
      barrierMs={(atMs) => nextHalt(part, current(), atMs)?.atMs ?? part.outMs}
      onBarrier={(atMs) => reachStop(session, nextHalt(part, current(), atMs), atMs)}
      onMet={(fromMs, toMs, rate) => session.record({ type: 'met', partId: part.id, fromMs, toMs, rate })}
      onPaused={(atMs) => session.record({ type: 'paused', partId: part.id, atMs })}
      onSought={(fromMs, toMs) => session.record({ type: 'sought', partId: part.id, fromMs, toMs })}
      fullScreenOf={fullScreenOf}
      onPlaying={onPlaying}
    />
  );
}

/** A halt this little off its mark is at it. */
const atMarkMs = 60;

/** The first stop from a place on that is not settled. */
function nextHalt(part: LearnerPart, state: WalkSnapshot['state'], atMs: number): LearnerStop | undefined {
  return part.stops.find(
    (stop) => stop.atMs >= atMs - atMarkMs && stop.atMs <= part.outMs && !isSettled(state, stop.id),
  );
}

function reachStop(session: WalkSession, stop: LearnerStop | undefined, atMs: number): void {
  if (!stop || stop.atMs - atMs >= atMarkMs || session.getSnapshot().state.stops[stop.id]) return;
  session.record({ type: 'reachedStop', stopId: stop.id });
}

function ReadingPart(props: Props) {
  const reading = useQuery(readingOptions(props.part.materialId));
  return (
    <QueryView query={reading}>
      {(blocks) => (
        <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
          <ReadingPartView {...props} blocks={blocks} />
        </Suspense>
      )}
    </QueryView>
  );
}

function ReadingPartView({
  ref,
  part,
  session,
  snapshot,
  blocks,
}: Props & { readonly blocks: readonly ReadingBlock[] }) {
  const { state, terms } = snapshot;
  // Of a text in parts, the stretch of this one.
  const script = useMemo(() => readingScript(blocks), [blocks]);
  const lines = script.filter((line) => line.startMs >= part.inMs && line.startMs < part.outMs);
  const from = script.indexOf(lines[0] as ScriptLine);
  const shown = blocks.slice(Math.max(0, from), from + lines.length);
  const phrases = useMemo(() => phrasesOf(part.stops), [part.stops]);
  const [startMs] = useState(() => partStateOf(state, part).positionMs);
  const isLocked = isMaterialLocked(session.context, state);
  const limitMs = playLimitMs(part, state, terms);
  const isAtStop = limitMs < part.outMs;
  const current = () => session.getSnapshot().state;
  // A stop before the first words has nothing to be read before it.
  useEffect(() => {
    if (limitMs <= part.inMs) reachStop(session, nextHalt(part, session.getSnapshot().state, part.inMs), part.inMs);
  }, [limitMs, part, session]);
  const onMet = (fromMs: number, toMs: number) => {
    session.record({ type: 'met', partId: part.id, fromMs, toMs, rate: 1 });
    // Blocks are met whole: a stop inside one, or at its end, has been reached with it.
    const stop = nextHalt(part, current(), fromMs);
    if (stop && stop.atMs <= toMs) reachStop(session, stop, stop.atMs);
  };
  return (
    <ReadingStage
      ref={ref}
      title={part.title}
      blocks={shown}
      lines={lines}
      startMs={startMs}
      limitMs={limitMs}
      footWords={
        isAtStop ? t(state.stops[stopAt(part, limitMs)?.id ?? ''] ? 'walk.textGoesOn' : 'walk.textOpens') : null
      }
      lockedWords={isLocked ? t('walk.lockedText') : null}
      phrases={phrases}
      isMet={({ startMs: fromMs, endMs: toMs }: ScriptLine) =>
        metMs(partStateOf(current(), part).coverage, { fromMs, toMs }) >= toMs - fromMs
      }
      onMet={onMet}
    />
  );
}

const stopAt = (part: LearnerPart, atMs: number) => part.stops.find((stop) => stop.atMs === atMs);
