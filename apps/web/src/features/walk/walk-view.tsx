import type { Recording } from '@semita/core/elements';
import type { LearnerPart } from '@semita/core/learner';
import { hasMaterial } from '@semita/core/lesson';
import { findOpenStop, isPartOpen, nextUnsettledStop } from '@semita/core/walk';
import { ArrowLeft } from 'lucide-react';
import { type ReactNode, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { joinClasses } from '../../ui/join-classes.ts';
import { KeyHelp } from '../../ui/key-help.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { filmKeys } from '../film/film-keys.ts';
import type { FilmControls } from '../film/film-stage.tsx';
import { AnswerFilesProvider } from '../question/answer-files.ts';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import { LinkStatus } from './link-status.tsx';
import { useLoadAhead } from './load-ahead.ts';
import { type NextLesson, PartStage } from './part-stage.tsx';
import { PathStrip } from './path-strip.tsx';
import type { LinkedPlace } from './place-link.ts';
import { SidePanel } from './side-panel.tsx';
import { WalkAnnouncer } from './walk-announcer.tsx';
import type { WalkSession, WalkSnapshot } from './walk-session.ts';
import './words.ts';
import '../materials/words.ts';

interface Props {
  readonly session: WalkSession;
  readonly backTo: string;
  readonly backLabel: string;
  readonly dueLine?: string | undefined;
  readonly nextLessons: readonly NextLesson[];
  /** What is said of the walk itself; where the work is, unless something else is. */
  readonly status?: ReactNode;
  /** Until when what was handed in may be taken back, epoch ms; null for never. */
  readonly withdrawUntil: number | null;
  /** Where a link leads, as far as its student may go there. */
  readonly startAt?: LinkedPlace | null;
}

/** A walk through a lesson: the strip on top, the stage, and beside it the open stop or what has been so far. */
export function WalkView({ session, backTo, backLabel, dueLine, nextLessons, withdrawUntil, status, startAt }: Props) {
  const snapshot = useSyncExternalStore(session.subscribe, session.getSnapshot);
  const { lesson, state, ahead } = snapshot;
  useEffect(() => session.start(), [session]);
  useLoadAhead(lesson);
  const root = useRef<HTMLDivElement>(null);
  const film = useRef<FilmControls>(null);
  const [playingPartId, setPlayingPartId] = useState<string | null>(null);
  const [chosenPartId, setChosenPartId] = useState(() =>
    startAt && isPartOpen(session.context, state, startAt.partId) ? startAt.partId : null,
  );
  const partId = chosenPartId ?? state.currentPartId ?? lesson.parts[0]?.id;
  const part = lesson.parts.find((one) => one.id === partId);
  const leg = state.route?.legs.at(-1);
  const legBefore = state.route?.legs.at(-2);
  const legKey = leg ? JSON.stringify([state.route?.legs.length, leg.partId, leg.fromMs, leg.via]) : '';
  // Whoever comes back to a walk goes on where they were.
  const legSeen = useRef(legKey);
  // Where a choice or a rule has led: into another part, or elsewhere in this one.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new leg leads somewhere
  useEffect(() => {
    if (legKey === legSeen.current) return;
    legSeen.current = legKey;
    setChosenPartId(null);
    // Another part begins there by itself.
    if (leg && leg.partId === legBefore?.partId && leg.partId === part?.id) film.current?.seek(leg.fromMs);
  }, [legKey]);
  // With nothing to watch or read, all stands in one column.
  const isBeside = part === undefined || hasMaterial(part);
  const isStraightOn = ahead.partIds.length === lesson.parts.length && !ahead.isOpen;
  useBoardOpen(session, snapshot, part);
  useFilmWaits(film);
  const tile = tileLedBy(snapshot);
  const directions = directionsNow(snapshot, part);
  return (
    <AnswerFilesProvider value={session.files}>
      <div ref={root} className="flex min-h-dvh flex-col bg-paper [&:fullscreen]:overflow-y-auto">
        <header className="grid gap-2 border-b border-line bg-card px-4 py-2 sm:px-6">
          <div className="flex min-h-9 flex-wrap items-center gap-x-4 gap-y-1">
            <Link to={backTo} className="flex min-h-9 items-center gap-1.5 text-14 text-main hover:underline">
              <ArrowLeft aria-hidden className="size-4" strokeWidth={1.75} />
              {backLabel}
            </Link>
            <h1 className="min-w-0 grow text-18">{lesson.title}</h1>
            {dueLine && <p className="text-14 text-quiet">{dueLine}</p>}
            {status ?? <LinkStatus link={snapshot.link} />}
            <div className="max-sm:hidden">
              <KeyHelp groups={[filmKeys()]} />
            </div>
          </div>
          <PathStrip {...{ session, snapshot, partId }} onGo={setChosenPartId} />
        </header>
        <main
          className={joinClasses(
            'mx-auto grid w-full grow content-start gap-4 p-3 sm:p-6',
            // With nothing to watch or read, the questions have the page to themselves.
            part?.kind === 'board'
              ? 'max-w-[64rem]'
              : part?.kind === 'task'
                ? 'max-w-[44rem]'
                : 'max-w-[88rem] lg:grid-cols-[minmax(0,1fr)_26rem] lg:grid-rows-[auto_1fr]',
          )}
        >
          {directions.length > 0 && <Directions spoken={directions} isBeside={isBeside} />}
          <div
            className={joinClasses(
              'grid content-start gap-3',
              isBeside && besideStyle,
              // However long the questions are, the material stays in sight.
              part && hasMaterial(part) && part.kind !== 'reading' && 'lg:sticky lg:top-6 lg:self-start',
            )}
          >
            {part && hasMaterial(part) && (
              <PartStage
                key={part.id}
                ref={film}
                part={part}
                session={session}
                snapshot={snapshot}
                fullScreenOf={() => root.current}
                onPlaying={(playing) => setPlayingPartId(playing ? part.id : null)}
                nextLessons={nextLessons}
                startAtMs={startAt?.partId === part.id ? startAt.atMs : undefined}
              />
            )}
            {part && part.kind !== 'board' && (lesson.parts.length > 1 || part.practice) && (
              <p className="text-14 text-quiet">
                {tile !== null
                  ? t('walk.fromBoard', { title: tile })
                  : lesson.parts.length > 1 &&
                    (isStraightOn
                      ? t('walk.partOf', {
                          number: lesson.parts.indexOf(part) + 1,
                          count: lesson.parts.length,
                          title: part.title,
                        })
                      : part.title)}
                {part.practice && (lesson.parts.length > 1 ? ` · ${t('walk.practice')}` : t('walk.practiceOnly'))}
              </p>
            )}
          </div>
          <aside
            aria-label={t('walk.beside')}
            // A text is long: what stands beside it stays in sight, scrolls by itself, and can be scrolled by keys.
            {...(part?.kind === 'reading' ? { tabIndex: 0 } : {})}
            className={joinClasses(
              'grid content-start gap-4',
              isBeside && 'lg:col-start-2',
              // As high as the material, so that there is room to stay in sight.
              isBeside && directions.length === 0 && 'lg:row-span-2',
              part?.kind === 'reading' &&
                'lg:sticky lg:top-6 lg:max-h-[calc(100dvh-3rem)] lg:self-start lg:overflow-y-auto',
            )}
          >
            <WalkAnnouncer snapshot={snapshot} />
            <UntakenNotices snapshot={snapshot} />
            <SidePanel
              isFresh={chosenPartId === null && state.currentPartId === null && Object.keys(state.stops).length === 0}
              session={session}
              snapshot={snapshot}
              part={part}
              film={film}
              // The film of a part that was left plays no longer.
              isPlaying={playingPartId === part?.id}
              withdrawUntil={withdrawUntil}
              onNextPart={setChosenPartId}
            />
          </aside>
        </main>
      </div>
    </AnswerFilesProvider>
  );
}

/** What was done and does not count, or not yet: nobody is left to think that it does. */
function UntakenNotices({ snapshot: { overtaken, untaken, state } }: { readonly snapshot: WalkSnapshot }) {
  const waiting = state.afterClosing?.events ?? untaken.afterClosing;
  return (
    <>
      {(overtaken || untaken.refused > 0) && (
        <Notice tone="attention" role="status">
          <p>{t('walk.refused')}</p>
          {untaken.refused > 0 && <p>{t('walk.refusedCount', { count: untaken.refused })}</p>}
        </Notice>
      )}
      {waiting > 0 && (
        <Notice tone="attention" role="status">
          {t('walk.afterClosing')}
        </Notice>
      )}
      {untaken.setAside > 0 && (
        <Notice tone="danger" role="alert">
          {t('walk.setAside', { count: untaken.setAside })}
        </Notice>
      )}
    </>
  );
}

/** While the tab is away nobody sees the film, and nothing of it would count: so it waits. */
function useFilmWaits(film: React.RefObject<FilmControls | null>) {
  useEffect(() => {
    const onVisibility = () => {
      if (document.visibilityState !== 'hidden') return;
      film.current?.flush();
      film.current?.pause();
    };
    // Before the walk hears of it, so that what was met so far comes first.
    document.addEventListener('visibilitychange', onVisibility, { capture: true });
    return () => document.removeEventListener('visibilitychange', onVisibility, { capture: true });
  }, [film]);
}

/** A board opens by itself: there is nothing to watch before it. */
function useBoardOpen(session: WalkSession, { state }: WalkSnapshot, part: LearnerPart | undefined) {
  const next = part?.kind === 'board' ? nextUnsettledStop(part, state) : undefined;
  const isAhead = next?.kind === 'board' && !state.stops[next.id] && state.handedInAt === null;
  useEffect(() => {
    if (isAhead && next) session.record({ type: 'reachedStop', stopId: next.id });
  }, [isAhead, next, session]);
}

/** The title of the tile by which a student came to where they are; null where they came otherwise. */
function tileLedBy({ lesson, state }: WalkSnapshot): string | null {
  const legs = state.route?.legs ?? [];
  const depth = legs.at(-1)?.returns.length ?? 0;
  const via =
    depth > 0 ? legs.findLast((leg) => leg.via.kind !== 'next' && leg.returns.length === depth)?.via : undefined;
  if (via?.kind !== 'tile') return null;
  const board = lesson.parts.flatMap(({ stops }) => stops).find(({ id }) => id === via.stopId);
  return (board?.kind === 'board' && board.tiles.find(({ id }) => id === via.tileId)?.title) || null;
}

const besideStyle = 'lg:col-start-1 lg:row-span-2 lg:row-start-1';

/**
 * What the teacher says before: of the lesson on its first part, and of the part. It makes room while a stop is open.
 */
function directionsNow({ lesson, state }: WalkSnapshot, part: LearnerPart | undefined): readonly Recording[] {
  if (findOpenStop(lesson, state)) return [];
  const ofLesson = part === lesson.parts[0] ? lesson.directions : undefined;
  return [ofLesson, part?.directions].filter((one) => one !== undefined);
}

/** First of all on a small screen, beside the material on a large one. */
function Directions({ spoken, isBeside }: { readonly spoken: readonly Recording[]; readonly isBeside: boolean }) {
  return (
    <section
      aria-labelledby="directions"
      className={joinClasses(
        'grid content-start gap-2 rounded-card border border-line bg-card p-4',
        isBeside && 'lg:col-start-2',
      )}
    >
      <h2 id="directions" className="text-16">
        {t('voice.directions')}
      </h2>
      {spoken.map((one) => (
        <RecordingPlayer key={one.materialId} recording={one} label={t('voice.directions')} />
      ))}
    </section>
  );
}
