import type { LearnerStop } from '@semita/core/learner';
import { findOpenStop, isSettled } from '@semita/core/walk';
import { lazy, Suspense } from 'react';
import { t } from '../../words/words.ts';
import { loadBoardPanel, loadSoFar, loadStopPanel } from './load-ahead.ts';
import { NextStep } from './next-step.tsx';
import { withOpenChoices } from './open-choices.ts';
import type { SideProps } from './side-props.ts';
import { stopPlaces } from './stop-places.ts';
import './words.ts';

const StopPanel = lazy(async () => ({ default: (await loadStopPanel()).StopPanel }));
const BoardPanel = lazy(async () => ({ default: (await loadBoardPanel()).BoardPanel }));
const SoFar = lazy(async () => ({ default: (await loadSoFar()).SoFar }));

/** Beside the material: the open stop, or what to do next and what has been so far. */
export function SidePanel({ isFresh, session, snapshot, part, film, isPlaying, withdrawUntil, onNextPart }: SideProps) {
  const { lesson, state, terms, results, hints, shown } = snapshot;
  const { stops, placeOf } = stopPlaces(snapshot);
  const open = findOpenStop(lesson, state);
  const openStop = stops.find((stop) => stop.id === open?.stop.id);
  const openState = openStop && state.stops[openStop.id];

  // Whoever looks at another part again finds the way back: from what a tile led to, to the board.
  const isElsewhere = open?.part.id !== part?.id;
  if (openStop?.kind === 'board' && openState && !isElsewhere)
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
          onLookAgain={onNextPart}
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
      // What was looked up in another part was for this stop.
      if (open && isElsewhere) onNextPart(open.part.id);
      else film.current?.play();
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
          tellsPoints={shown.points}
          now={session.now}
          onDraft={(questionId, response) =>
            session.record({ type: 'draftSaved', stopId: openStop.id, questionId, response })
          }
          onAnswer={(responses) => session.record({ type: 'answered', stopId: openStop.id, responses })}
          onHint={(questionId) => session.record({ type: 'hintTaken', stopId: openStop.id, questionId })}
          onBegin={(questionId) => session.record({ type: 'began', stopId: openStop.id, questionId })}
          onTimeUp={(questionId, response) => {
            film.current?.flush();
            session.record({ type: 'timeUp', stopId: openStop.id, questionId, response });
          }}
          onKeep={() => session.record({ type: 'kept', stopId: openStop.id })}
          onChoose={(choiceId) => {
            film.current?.flush();
            onNextPart(null);
            session.record({ type: 'chose', stopId: openStop.id, choiceId });
          }}
          onAcknowledge={() => finish(() => session.record({ type: 'acknowledged', stopId: openStop.id }))}
          onPass={() => finish(() => session.record({ type: 'passedStop', stopId: openStop.id }))}
          onLookBack={terms.rewindAtStops && open?.part.kind === 'clip' && !isElsewhere ? onLookBack : undefined}
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
            <SoFar {...{ session, snapshot, placeOf, film, onNextPart }} shownPartId={part?.id} />
          </Suspense>
        ) : (
          <p className="text-quiet">{t(nothingYet[part?.kind ?? 'clip'])}</p>
        )}
        {terms.questionsWhenReached && <p className="text-14 text-quiet">{t('walk.needsConnection')}</p>}
      </section>
    </>
  );
}

function titleOf(stop: LearnerStop, placeOf: (stop: LearnerStop) => string): string {
  if (stop.kind === 'pause') return t('walk.pauseTitle');
  return stop.kind === 'fork' ? t('walk.choose') : placeOf(stop);
}

const nothingYet = {
  clip: 'walk.nothingYet',
  reading: 'walk.nothingYetText',
  deck: 'walk.nothingYetSlides',
  task: 'walk.nothingYetTask',
  board: 'walk.nothingYetBoard',
} as const;
