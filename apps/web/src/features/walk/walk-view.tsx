import {
  canHandIn,
  findOpenStop,
  freeParts,
  hasMaterial,
  isAtEnd,
  isSettled,
  type LearnerLesson,
  type LearnerPart,
  type LearnerStop,
  nextPartOf,
  nextUnsettledStop,
  partStateOf,
  type Recording,
  stopsOnRoute,
} from '@semita/core';
import { ArrowLeft, Flag, Play } from 'lucide-react';
import { lazy, type ReactNode, Suspense, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { KeyHelp } from '../../ui/key-help.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { filmKeys } from '../film/film-keys.ts';
import type { FilmControls } from '../film/film-stage.tsx';
import { AnswerFilesProvider } from '../question/answer-files.ts';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import { LinkStatus } from './link-status.tsx';
import { withOpenChoices } from './open-choices.ts';
import { type NextLesson, PartStage } from './part-stage.tsx';
import { PathStrip } from './path-strip.tsx';
import type { WalkSession, WalkSnapshot } from './walk-session.ts';

/** Fetched once the walk stands on the page: they are first wanted at a stop, perhaps without a connection. */
const loadSoFar = () => import('./so-far.tsx');
const loadStopPanel = () => import('./stop-panel.tsx');
const loadFieldsAhead = async (lesson: LearnerLesson) =>
  (await import('../question/question-field.tsx')).loadFieldsOf(lesson);
const StopPanel = lazy(async () => ({ default: (await loadStopPanel()).StopPanel }));
const BoardPanel = lazy(async () => ({ default: (await import('./board-panel.tsx')).BoardPanel }));
const SoFar = lazy(async () => ({ default: (await loadSoFar()).SoFar }));

interface Props {
  readonly session: WalkSession;
  readonly backTo: string;
  readonly backLabel: string;
  readonly dueLine?: string | undefined;
  readonly nextLessons: readonly NextLesson[];
  /** Until when what was handed in may be taken back, epoch ms; null for never. */
  readonly withdrawUntil: number | null;
}

/** A walk through a lesson: the strip on top, the stage, and beside it the open stop or what has been so far. */
export function WalkView({ session, backTo, backLabel, dueLine, nextLessons, withdrawUntil }: Props) {
  const snapshot = useSyncExternalStore(session.subscribe, session.getSnapshot);
  const { lesson, state, ahead } = snapshot;
  useEffect(() => session.start(), [session]);
  useEffect(() => void loadFieldsAhead(lesson), [lesson]);
  useEffect(() => void Promise.allSettled([loadStopPanel(), loadSoFar()]), []);
  const root = useRef<HTMLDivElement>(null);
  const film = useRef<FilmControls>(null);
  const [isPlaying, setIsPlaying] = useState(false);
  const [chosenPartId, setChosenPartId] = useState<string | null>(null);
  const partId = chosenPartId ?? state.currentPartId ?? lesson.parts[0]?.id;
  const part = lesson.parts.find((one) => one.id === partId);
  const leg = state.route?.legs.at(-1);
  const legNumber = state.route?.legs.length ?? 0;
  // Where a choice or a rule has led: into another part, or elsewhere in this one.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new leg leads somewhere
  useEffect(() => {
    setChosenPartId(null);
    if (leg && leg.fromStop > 0 && leg.partId === part?.id) film.current?.seek(leg.fromMs);
  }, [legNumber]);
  // With nothing to watch or read, all stands in one column.
  const isBeside = part === undefined || hasMaterial(part);
  const isStraightOn = ahead.partIds.length === lesson.parts.length && !ahead.isOpen;
  useBoardOpen(session, snapshot, part);
  const tile = tileLedBy(snapshot);
  const directions = directionsNow(snapshot, part);
  return (
    <AnswerFilesProvider value={session.files}>
      <div ref={root} className="flex min-h-dvh flex-col overflow-y-auto bg-paper">
        <header className="grid gap-2 border-b border-line bg-card px-4 py-2 sm:px-6">
          <div className="flex min-h-9 flex-wrap items-center gap-x-4 gap-y-1">
            <Link to={backTo} className="flex min-h-9 items-center gap-1.5 text-14 text-main hover:underline">
              <ArrowLeft aria-hidden className="size-4" strokeWidth={1.75} />
              {backLabel}
            </Link>
            <h1 className="min-w-0 grow text-18">{lesson.title}</h1>
            {dueLine && <p className="text-14 text-quiet">{dueLine}</p>}
            <LinkStatus link={snapshot.link} />
            <div className="max-sm:hidden">
              <KeyHelp groups={[filmKeys()]} />
            </div>
          </div>
          <PathStrip snapshot={snapshot} />
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
          <div className={joinClasses('grid content-start gap-3', isBeside && besideStyle)}>
            {part && hasMaterial(part) && (
              <PartStage
                key={part.id}
                ref={film}
                part={part}
                session={session}
                snapshot={snapshot}
                fullScreenOf={() => root.current}
                onPlaying={setIsPlaying}
                nextLessons={nextLessons}
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
              part?.kind === 'reading' &&
                'lg:sticky lg:top-6 lg:max-h-[calc(100dvh-3rem)] lg:self-start lg:overflow-y-auto',
            )}
          >
            {snapshot.overtaken && (
              <Notice tone="attention" role="status">
                {t('walk.refused')}
              </Notice>
            )}
            <SidePanel
              isFresh={chosenPartId === null && state.currentPartId === null && Object.keys(state.stops).length === 0}
              session={session}
              snapshot={snapshot}
              part={part}
              film={film}
              isPlaying={isPlaying}
              withdrawUntil={withdrawUntil}
              onNextPart={setChosenPartId}
            />
          </aside>
        </main>
      </div>
    </AnswerFilesProvider>
  );
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

interface SideProps {
  /** Nothing was begun, and no part chosen. */
  readonly isFresh: boolean;
  readonly session: WalkSession;
  readonly snapshot: WalkSnapshot;
  readonly part: LearnerPart | undefined;
  readonly film: React.RefObject<FilmControls | null>;
  readonly isPlaying: boolean;
  readonly withdrawUntil: number | null;
  /** Null goes where the way leads. */
  readonly onNextPart: (partId: string | null) => void;
}

function SidePanel({ isFresh, session, snapshot, part, film, isPlaying, withdrawUntil, onNextPart }: SideProps) {
  const { lesson, state, terms, results, hints } = snapshot;
  const onRoute = stopsOnRoute(lesson, state);
  const stops = lesson.parts.flatMap((one) => one.stops).filter(({ id }) => onRoute?.has(id) ?? true);
  const open = findOpenStop(lesson, state);
  const openStop = stops.find((stop) => stop.id === open?.stop.id);
  const openState = openStop && state.stops[openStop.id];
  const placeOf = (stop: LearnerStop) => t('walk.stopOf', { number: stops.indexOf(stop) + 1, count: stops.length });

  if (openStop?.kind === 'board' && openState)
    return (
      <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
        <BoardPanel
          key={openStop.id}
          board={openStop}
          title={part?.title || t('stop.board')}
          stopState={openState}
          mayLeave={terms.skipping}
          onOpen={(tileId) => {
            onNextPart(null);
            session.record({ type: 'openedTile', stopId: openStop.id, tileId });
          }}
          onDid={(tileId) => session.record({ type: 'didTile', stopId: openStop.id, tileId })}
          onLeave={() => {
            onNextPart(null);
            session.record({ type: 'acknowledged', stopId: openStop.id });
          }}
        />
      </Suspense>
    );
  if (openStop && openStop.kind !== 'board' && openState) {
    const finish = (settle: () => void) => {
      // What was met up to here comes before the answer.
      film.current?.flush();
      settle();
      film.current?.play();
    };
    // In a text the words before the stop are still in sight.
    const onLookBack = () => {
      film.current?.seek(openStop.atMs - 10_000);
      film.current?.play();
    };
    return (
      <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
        <StopPanel
          key={openStop.id}
          stop={withOpenChoices(lesson, state, openStop)}
          place={titleOf(openStop, placeOf)}
          stopState={openState}
          attempt={state}
          {...{ terms, results, hints }}
          now={session.now}
          onDraft={(questionId, response) =>
            session.record({ type: 'draftSaved', stopId: openStop.id, questionId, response })
          }
          onAnswer={(responses) => session.record({ type: 'answered', stopId: openStop.id, responses })}
          onHint={(questionId) => session.record({ type: 'hintTaken', stopId: openStop.id, questionId })}
          onKeep={() => session.record({ type: 'kept', stopId: openStop.id })}
          onChoose={(choiceId) => {
            film.current?.flush();
            onNextPart(null);
            session.record({ type: 'chose', stopId: openStop.id, choiceId });
          }}
          onAcknowledge={() => finish(() => session.record({ type: 'acknowledged', stopId: openStop.id }))}
          onPass={() => finish(() => session.record({ type: 'passedStop', stopId: openStop.id }))}
          onLookBack={terms.rewindAtStops && open?.part.kind === 'clip' ? onLookBack : undefined}
        />
      </Suspense>
    );
  }
  return (
    <>
      <NextStep {...{ isFresh, session, snapshot, part, film, isPlaying, withdrawUntil, onNextPart }} />
      <section aria-labelledby="so-far" className="grid gap-3">
        <h2 id="so-far" className="text-18">
          {t('walk.soFar')}
        </h2>
        {stops.some(({ id }) => isSettled(state, id)) ? (
          <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
            <SoFar {...{ session, snapshot, placeOf, film, onNextPart }} />
          </Suspense>
        ) : (
          <p className="text-quiet">{t(nothingYet[part?.kind ?? 'clip'])}</p>
        )}
      </section>
    </>
  );
}

function titleOf(stop: LearnerStop, placeOf: (stop: LearnerStop) => string): string {
  if (stop.kind === 'pause') return t('walk.pauseTitle');
  return stop.kind === 'fork' ? t('walk.choose') : placeOf(stop);
}

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

const nothingYet = {
  clip: 'walk.nothingYet',
  reading: 'walk.nothingYetText',
  deck: 'walk.nothingYetSlides',
  task: 'walk.nothingYetTask',
  board: 'walk.nothingYetBoard',
} as const;

/** The one next step when no stop is open: go on, go to the next part, or hand in. */
function NextStep({
  isFresh,
  session,
  snapshot,
  part,
  film,
  isPlaying,
  withdrawUntil,
  onNextPart,
}: SideProps): ReactNode {
  const { lesson, state } = snapshot;
  if (state.handedInAt !== null)
    return (
      <Notice title={t('walk.handedIn')} role="status">
        <p>{t('walk.handedInHelp')}</p>
        {withdrawUntil !== null && session.now() < withdrawUntil && (
          <div>
            <Button onClick={() => session.record({ type: 'withdrawn' })}>{t('walk.withdraw')}</Button>
          </div>
        )}
      </Notice>
    );
  const free = part ? freeParts(session.context, state, part, isFresh) : [];
  if (free.length > 1)
    return (
      <section aria-labelledby="free-parts" className="grid gap-2">
        <h2 id="free-parts" className="text-18">
          {t('walk.anyOrder')}
        </h2>
        {free.map(({ id }) => (
          <Button key={id} size="roomy" onClick={() => onNextPart(id)}>
            {lesson.parts.find((one) => one.id === id)?.title}
          </Button>
        ))}
      </section>
    );
  const next = part && nextPartOf(session.context, state, part);
  if (next)
    return (
      <Button look="main" size="roomy" onClick={() => onNextPart(next.id)}>
        {next.kind === 'board' && state.stops[next.stops[0]?.id ?? '']
          ? t('walk.backToBoard')
          : `${t('walk.nextPart')}: ${lesson.parts.find(({ id }) => id === next.id)?.title}`}
      </Button>
    );
  const mayHandIn = canHandIn(session.context, state);
  const isDone = isAtEnd(lesson, state);
  const nextQuestion = part?.kind === 'task' ? nextUnsettledStop(part, state) : undefined;
  return (
    <>
      {nextQuestion && (
        <Button
          look="main"
          size="roomy"
          onClick={() => session.record({ type: 'reachedStop', stopId: nextQuestion.id })}
        >
          <Play aria-hidden className="size-4" strokeWidth={1.75} />
          {t(part?.stops.some(({ id }) => isSettled(state, id)) ? 'walk.nextQuestion' : 'walk.beginTask')}
        </Button>
      )}
      {!isPlaying && part?.kind === 'clip' && !isDone && (
        <Button look="main" size="roomy" onClick={() => film.current?.play()}>
          <Play aria-hidden className="size-4" strokeWidth={1.75} />
          {partStateOf(state, part).furthestMs > part.inMs ? t('walk.goOn') : t('walk.begin')}
        </Button>
      )}
      {mayHandIn && <HandIn isAtEnd={isDone} {...{ session, snapshot, film }} />}
    </>
  );
}

/** How many stops of the way are not settled. */
function stopsLeft(lesson: WalkSnapshot['lesson'], state: WalkSnapshot['state']): number {
  const onRoute = stopsOnRoute(lesson, state);
  const stops = lesson.parts.flatMap((one) => one.stops);
  return stops.filter(({ id }) => !isSettled(state, id) && (onRoute?.has(id) ?? true)).length;
}

function HandIn({
  session,
  snapshot: { lesson, state },
  film,
  isAtEnd,
}: Pick<SideProps, 'session' | 'snapshot' | 'film'> & { readonly isAtEnd: boolean }) {
  const left = stopsLeft(lesson, state);
  return (
    <section className="grid gap-3 rounded-card border border-line border-l-4 border-l-spruce bg-card p-5">
      {isAtEnd && <h2 className="text-18">{t('walk.handInTitle')}</h2>}
      <p>{left > 0 ? t('walk.handInOpen', { count: left }) : t('walk.handInHelp')}</p>
      <Button
        look={isAtEnd ? 'main' : 'plain'}
        size="roomy"
        onClick={() => {
          film.current?.pause();
          film.current?.flush();
          session.record({ type: 'handedIn' });
        }}
      >
        <Flag aria-hidden className="size-4" strokeWidth={1.75} />
        {t('walk.handIn')}
      </Button>
    </section>
  );
}
