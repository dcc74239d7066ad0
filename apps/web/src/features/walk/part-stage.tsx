import { metMs } from '@semita/core/coverage';
import type { LearnerMaterialPart, LearnerStop } from '@semita/core/learner';
import { type ScriptLine, scriptOf } from '@semita/core/script';
import { isMaterialLocked, isSettled, partStateOf, playLimitMs, seekLimitMs } from '@semita/core/walk';
import { useQuery } from '@tanstack/react-query';
import { lazy, type RefObject, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { pathOf } from '../../api/client.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { type FilmControls, FilmStage } from '../film/film-stage.tsx';
import { captionsOptions } from '../film/queries.ts';
import { type Content, contentOptions, contentScript } from '../reading/content.ts';
import { phrasesOf } from '../reading/phrases-of.ts';
import type { WalkSession, WalkSnapshot } from './walk-session.ts';
import './words.ts';

const DeckStage = lazy(async () => ({ default: (await import('../deck/deck-stage.tsx')).DeckStage }));
const ReadingStage = lazy(async () => ({ default: (await import('../reading/reading-stage.tsx')).ReadingStage }));

interface Props {
  readonly ref: RefObject<FilmControls | null>;
  readonly part: LearnerMaterialPart;
  readonly session: WalkSession;
  readonly snapshot: WalkSnapshot;
  readonly fullScreenOf: () => HTMLElement | null;
  readonly onPlaying: (isPlaying: boolean) => void;
  readonly nextLessons: readonly NextLesson[];
  /** Where a link leads; where the student was, without one. */
  readonly startAtMs?: number | undefined;
}

/** A lesson to which a reading leads on; in a rehearsal without an assignment. */
export interface NextLesson {
  readonly lessonId: string;
  readonly title: string;
  readonly assignmentId: string | null;
}

/** The material of a part, held by its gates. */
export function PartStage(props: Props) {
  return props.part.kind === 'clip' ? <ClipPart {...props} /> : <ContentPart {...props} />;
}

function ClipPart({ ref, part, session, snapshot, fullScreenOf, onPlaying, startAtMs }: Props) {
  const { state, terms } = snapshot;
  const captions = useQuery(captionsOptions(part.materialId));
  const lines = useMemo(() => scriptOf(captions.data ?? [], part.outMs), [captions.data, part.outMs]);
  const [startMs] = useState(() => startOf(part, session, state, startAtMs));
  const isLocked = isMaterialLocked(session.context, state);
  const current = () => session.getSnapshot().state;
  const missed = useRef({ stopId: '', tries: 0 });
  return (
    <FilmStage
      ref={ref}
      src={pathOf('streamMedia', { materialId: part.materialId })}
      title={part.title}
      inMs={part.inMs}
      outMs={part.outMs}
      startMs={startMs}
      limitMs={seekLimitMs(part, state, session.context)}
      lockedWords={isLocked ? t('walk.locked') : null}
      lines={lines}
      narrations={part.narrations}
      maxRate={terms.maxRate}
      barrierMs={(atMs) =>
        // However somebody got past what has to be settled first, the film holds there.
        Math.min(nextHalt(part, current(), atMs)?.atMs ?? part.outMs, playLimitMs(part, current(), session.context))
      }
      onBarrier={(atMs) => {
        const stop = nextHalt(part, current(), atMs);
        reachStop(session, stop, atMs);
        // A machine that was too busy to see it play leaves a hole before the stop: that is played again, from a little
        // before, so that its beginning is seen. A few times at most: then the learner plays it.
        const isMissed = stop && stop.atMs - atMs < atMarkMs && !current().stops[stop.id];
        if (!isMissed) return;
        const { furthestMs } = partStateOf(current(), part);
        ref.current?.seek(Math.max(part.inMs, furthestMs - runUpMs));
        const tries = missed.current.stopId === stop.id ? missed.current.tries + 1 : 1;
        missed.current = { stopId: stop.id, tries };
        if (tries <= maxReplays) ref.current?.play();
      }}
      onMet={(fromMs, toMs, rate) => session.record({ type: 'met', partId: part.id, fromMs, toMs, rate })}
      onPaused={(atMs) => session.record({ type: 'paused', partId: part.id, atMs })}
      onSought={(fromMs, toMs) => session.record({ type: 'sought', partId: part.id, fromMs, toMs })}
      fullScreenOf={fullScreenOf}
      onPlaying={onPlaying}
    />
  );
}

/** Where a part begins to play: where a link leads, as far as one may go there, or where the student was. */
function startOf(
  part: LearnerMaterialPart,
  { context }: WalkSession,
  state: WalkSnapshot['state'],
  startAtMs: number | undefined,
): number {
  if (startAtMs === undefined || isMaterialLocked(context, state)) return partStateOf(state, part).positionMs;
  return Math.max(part.inMs, Math.min(startAtMs, seekLimitMs(part, state, context)));
}

/** A halt this little off its mark is at it. */
const atMarkMs = 60;
/** What was not seen to play is played again from this much before it. */
const runUpMs = 1_000;
const maxReplays = 4;

/** The first stop from a place on that is not settled. */
function nextHalt(part: LearnerMaterialPart, state: WalkSnapshot['state'], atMs: number): LearnerStop | undefined {
  return part.stops.find(
    (stop) => stop.atMs >= atMs - atMarkMs && stop.atMs <= part.outMs && !isSettled(state, stop.id),
  );
}

function reachStop(session: WalkSession, stop: LearnerStop | undefined, atMs: number): void {
  if (!stop || stop.atMs - atMs >= atMarkMs || session.getSnapshot().state.stops[stop.id]) return;
  session.record({ type: 'reachedStop', stopId: stop.id });
}

function ContentPart(props: Props) {
  const content = useQuery(contentOptions(props.part.materialId));
  return (
    <QueryView query={content}>
      {(data) => (
        <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
          <ContentPartView {...props} content={data} />
        </Suspense>
      )}
    </QueryView>
  );
}

/** A text or slides: what was met is told piece by piece, and a stop opens once all before it was met. */
function ContentPartView({
  ref,
  part,
  session,
  snapshot,
  content,
  nextLessons,
  startAtMs,
}: Props & { readonly content: Content }) {
  const { state, terms } = snapshot;
  const phrases = useMemo(() => phrasesOf(part.stops), [part.stops]);
  const [startMs] = useState(() => startOf(part, session, state, startAtMs));
  // Of a material in parts, the stretch of this one.
  const { lines, blocks, slides } = useMemo(() => stretchOf(part, content), [part, content]);
  const isLocked = isMaterialLocked(session.context, state);
  const limitMs = playLimitMs(part, state, session.context);
  const current = () => session.getSnapshot().state;
  // A stop before everything else has nothing to be met before it.
  useEffect(() => {
    if (limitMs <= part.inMs) reachStop(session, nextHalt(part, session.getSnapshot().state, part.inMs), part.inMs);
  }, [limitMs, part, session]);
  const shared = {
    ref,
    title: part.title,
    lines,
    startMs,
    limitMs,
    isMet: ({ startMs: fromMs, endMs: toMs }: ScriptLine) =>
      terms.skipping || metMs(partStateOf(current(), part).coverage, { fromMs, toMs }) >= toMs - fromMs,
    onMet: (fromMs: number, toMs: number) => {
      session.record({ type: 'met', partId: part.id, fromMs, toMs, rate: 1 });
      // Pieces are met whole: a stop inside one, or at its end, has been reached with it.
      const stop = nextHalt(part, current(), fromMs);
      if (stop && stop.atMs <= toMs) reachStop(session, stop, stop.atMs);
    },
  };
  if (part.kind === 'deck')
    return <DeckStage {...shared} slides={slides} lockedWords={isLocked ? t('walk.lockedSlides') : null} />;
  const next = part.stops.find((stop) => stop.atMs === limitMs);
  const footWords = t(next && state.stops[next.id] ? 'walk.textGoesOn' : 'walk.textOpens');
  return (
    <ReadingStage
      {...shared}
      blocks={blocks}
      footWords={limitMs < part.outMs ? footWords : null}
      lockedWords={isLocked ? t('walk.lockedText') : null}
      phrases={phrases}
      insets={part.insets}
      end={<NextLessonLink next={nextLessons.find((one) => one.lessonId === part.nextLessonId)} />}
    />
  );
}

/** Where a reading ends, the way on to the lesson that comes next. */
function NextLessonLink({ next }: { readonly next: NextLesson | undefined }) {
  if (!next) return null;
  return (
    <p className="mt-8 border-t border-line pt-4">
      {t('walk.nextLesson')}{' '}
      {next.assignmentId === null ? (
        <strong>{next.title}</strong>
      ) : (
        <Link to={`/walk/${next.assignmentId}`} className="font-medium text-main underline">
          {next.title}
        </Link>
      )}
    </p>
  );
}

function stretchOf(part: LearnerMaterialPart, content: Content) {
  const script = contentScript(content);
  const lines = script.filter((line) => line.startMs >= part.inMs && line.startMs < part.outMs);
  const from = lines[0] ? script.indexOf(lines[0]) : 0;
  const cut = <T,>(pieces: readonly T[]) => pieces.slice(from, from + lines.length);
  return { lines, blocks: cut(content.blocks), slides: cut(content.slides) };
}
