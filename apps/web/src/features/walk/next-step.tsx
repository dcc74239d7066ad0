import { hasMaterial } from '@semita/core/lesson';
import {
  canHandIn,
  freeParts,
  isAtEnd,
  isSettled,
  nextPartOf,
  nextUnsettledStop,
  partStateOf,
  stopsOnRoute,
  type WalkPart,
} from '@semita/core/walk';
import { Flag, Play } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import type { SideProps } from './side-props.ts';
import type { WalkSnapshot } from './walk-session.ts';
import './words.ts';

/** The one next step when no stop is open: go on, go to the next part, or hand in. */
export function NextStep({
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
        <p>{t(lesson.parts.some(hasMaterial) ? 'walk.handedInHelp' : 'walk.handedInBelow')}</p>
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
          : t(isBegun(state, next) ? 'walk.goOnWith' : 'walk.nextPart', {
              title: lesson.parts.find(({ id }) => id === next.id)?.title,
            })}
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
      {part?.kind === 'reading' && !isDone && isHalfRead(state, part) && (
        <section className="grid justify-items-start gap-2">
          <p className="text-quiet">{t('walk.halfRead')}</p>
          <Button size="roomy" onClick={() => film.current?.seek(partStateOf(state, part).furthestMs)}>
            {t('walk.readOn')}
          </Button>
        </section>
      )}
      {mayHandIn && <HandIn isAtEnd={isDone} {...{ session, snapshot, film }} />}
    </>
  );
}

function isBegun({ parts, stops }: WalkSnapshot['state'], next: WalkPart): boolean {
  return (parts[next.id]?.coverage.length ?? 0) > 0 || next.stops.some(({ id }) => stops[id]);
}

/** Whoever scrolls faster than anybody reads is told why it does not go on, and led to where it does. */
function isHalfRead(state: WalkSnapshot['state'], part: WalkPart): boolean {
  const { furthestMs } = partStateOf(state, part);
  return furthestMs > part.inMs && furthestMs < part.outMs;
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
