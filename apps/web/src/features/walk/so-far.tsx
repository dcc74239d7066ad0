import type { LearnerStop } from '@semita/core/learner';
import { isSettled } from '@semita/core/walk';
import type { FilmControls } from '../film/film-stage.tsx';
import { AnsweredStop } from './answered-stop.tsx';
import { withOpenChoices } from './open-choices.ts';
import type { WalkSession, WalkSnapshot } from './walk-session.ts';

interface Props {
  readonly session: WalkSession;
  readonly snapshot: WalkSnapshot;
  readonly placeOf: (stop: LearnerStop) => string;
  readonly shownPartId: string | undefined;
  readonly film: React.RefObject<FilmControls | null>;
  /** Null goes where the way leads. */
  readonly onNextPart: (partId: string | null) => void;
}

/** The stops a learner has been at, the latest part first. Whoever was away sees what belongs to which stretch. */
export function SoFar({ session, snapshot, placeOf, shownPartId, film, onNextPart }: Props) {
  const { lesson, state, terms, results, shown } = snapshot;
  const stretches = lesson.parts
    .toReversed()
    .map((one) => ({
      id: one.id,
      title: one.title,
      been: one.stops.toReversed().flatMap((stop) => {
        const stopState = state.stops[stop.id];
        return stopState && isSettled(state, stop.id) ? [{ stop, stopState }] : [];
      }),
    }))
    .filter(({ been }) => been.length > 0);
  const reopen = (partId: string, stop: LearnerStop) => () => {
    film.current?.pause();
    if (partId === shownPartId) film.current?.seek(stop.atMs);
    else onNextPart(null);
    session.record({ type: 'reachedStop', stopId: stop.id });
  };
  return stretches.map(({ id, title, been }) => (
    <section key={id} aria-label={title} className="grid gap-3">
      {lesson.parts.length > 1 && <h3 className="border-b border-line pb-1 text-14 text-quiet">{title}</h3>}
      <ul className="grid gap-3">
        {been.map(({ stop, stopState }) => (
          <AnsweredStop
            key={stop.id}
            stop={withOpenChoices(lesson, state, stop)}
            place={placeOf(stop)}
            stopState={stopState}
            results={results}
            later={shown.points ? null : (terms.shown?.points ?? null)}
            assignmentId={session.assignmentId}
            givenTo={(questionId) =>
              Object.values(state.stops).find(({ answers }) => answers[questionId])?.answers[questionId]?.response
            }
            onRevise={{
              draft: (stopId, questionId, response) =>
                session.record({ type: 'draftSaved', stopId, questionId, response }),
              give: (stopId, questionId, response) => session.record({ type: 'revised', stopId, questionId, response }),
            }}
            onChoose={
              terms.turningBack && state.handedInAt === null
                ? (choiceId) => {
                    onNextPart(null);
                    session.record({ type: 'chose', stopId: stop.id, choiceId });
                  }
                : undefined
            }
            onReopen={stopState.phase === 'passed' && state.handedInAt === null ? reopen(id, stop) : undefined}
          />
        ))}
      </ul>
    </section>
  ));
}
