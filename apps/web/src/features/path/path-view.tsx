import type { TriedRoutes } from '@semita/core/checks';
import type { Lesson, LessonChange } from '@semita/core/lesson';
import { waysOf } from '@semita/core/path';
import { RotateCcw, Route as RouteIcon } from 'lucide-react';
import { memo, useDeferredValue, useId, useMemo, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Select } from '../../ui/field.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { PartPanel } from './part-panel.tsx';
import { listedRoutes, PathFiguresPanel } from './path-figures-panel.tsx';
import { PathList } from './path-list.tsx';
import { PathMap } from './path-map.tsx';
import { faultsByPart, waysOfRoute } from './path-marks.ts';
import { PathViews, usePathView } from './path-views.tsx';
import { stuckFaults } from './stuck-faults.ts';
import { tryAll } from './try-all.ts';
import { useAsWalked } from './use-as-walked.ts';
import '../assignment/words.ts';
import './words.ts';

interface Props {
  readonly lesson: Lesson;
  /** With other lessons that it shows in their places: what routes come to is computed of it. */
  readonly whole: Lesson;
  readonly partId: string | null;
  readonly onChoosePart: (partId: string | null) => void;
  readonly onOpenStop: (partId: string, stopId: string) => void;
  readonly onOpenPart: (partId: string) => void;
  readonly apply: (change: LessonChange) => boolean;
}

/** The path of a lesson at the desk: as a map or a list, with what its routes come to and what each part leads to. */
export function PathView({ lesson, whole, partId, onChoosePart, onOpenStop, onOpenPart, apply }: Props) {
  const isList = usePathView() === 'list';
  // What the routes come to is counted and worded after the map shows what was done on it, not before.
  const walked = useAsWalked(lesson);
  const counted = useDeferredValue(useAsWalked(whole));
  const [routeNumber, setRouteNumber] = useState<number | null>(null);
  const ways = useMemo(() => waysOf(walked), [walked]);
  const faults = useMemo(() => faultsByPart(walked), [walked]);
  const lit = useMemo(() => {
    const route = routeNumber === null ? undefined : listedRoutes(counted)[routeNumber];
    if (!route) return null;
    // On the map, another lesson is one card.
    const shownAs = new Map(counted.parts.map(({ id, from }) => [id, from?.linkId ?? id]));
    const partIds = new Set(route.steps.map(({ node }) => shownAs.get(node.partId) ?? node.partId));
    return { wayKeys: waysOfRoute(route, shownAs), partIds };
  }, [counted, routeNumber]);
  const part = lesson.parts.find(({ id }) => id === partId);
  const isMoved = lesson.parts.some(({ mapAt }) => mapAt);
  const shown = { lesson, whole, ways, faults, lit, selectedId: partId, onSelect: onChoosePart };
  return (
    <>
      <section aria-label={t('path.title')} className="flex min-h-[28rem] min-w-0 flex-col">
        <div className="flex flex-wrap items-center gap-2 border-b border-line bg-card px-4 py-2">
          <PathViews />
          <OrderField lesson={lesson} apply={apply} />
          {isMoved && !isList && (
            <Button
              size="small"
              look="quiet"
              onClick={() => {
                for (const { id, mapAt } of lesson.parts)
                  if (mapAt) apply({ type: 'setMapPlace', partId: id, mapAt: null });
              }}
            >
              <RotateCcw aria-hidden className="size-4" strokeWidth={1.75} />
              {t('path.arrange')}
            </Button>
          )}
        </div>
        <div className="min-h-0 grow overflow-y-auto">
          {isList ? <PathList {...shown} /> : <PathMap {...shown} apply={apply} />}
        </div>
      </section>
      <aside
        aria-label={t('path.about')}
        className="grid min-h-0 grid-cols-[minmax(0,1fr)] content-start gap-5 overflow-y-auto p-4"
      >
        {part ? (
          <PartPanel
            key={part.id}
            {...{ part, lesson, whole, apply }}
            faults={faults.get(part.id) ?? []}
            onOpen={() => onOpenPart(part.id)}
            onOpenStop={(stopId) => onOpenStop(part.id, stopId)}
            onClose={() => onChoosePart(null)}
          />
        ) : (
          <>
            <Figures {...{ lesson: counted, routeNumber }} onRoute={setRouteNumber} />
            <TryAll draft={walked} lesson={counted} onOpenStop={onOpenStop} onChoosePart={onChoosePart} />
          </>
        )}
      </aside>
    </>
  );
}

const Figures = memo(PathFiguresPanel);

/** Whether parts come one after the other, or from one on in any order. */
function OrderField({ lesson, apply }: Pick<Props, 'lesson' | 'apply'>) {
  const id = useId();
  const titles = lesson.parts.slice(0, -2).map(({ id: partId, title }) => ({ partId, title }));
  const written = JSON.stringify(titles);
  // Hundreds of names are not worded anew because a card was moved.
  const options = useMemo(
    () =>
      (JSON.parse(written) as typeof titles).map(({ partId, title }, index) => (
        <option key={partId} value={index + 1}>
          {t('path.orderAfter', { number: index + 1, title: title || t('path.untitled') })}
        </option>
      )),
    [written],
  );
  if (lesson.parts.length < 2) return null;
  return (
    <div className="flex min-w-0 items-center gap-2 text-14">
      <label htmlFor={id}>{t('path.order')}</label>
      <Select
        id={id}
        className="h-8 min-w-0"
        value={lesson.freeFrom ?? ''}
        onChange={(event) => {
          const freeFrom = event.target.value === '' ? null : Number(event.target.value);
          apply({ type: 'setFreeFrom', freeFrom });
        }}
      >
        <option value="">{t('path.orderFixed')}</option>
        <option value={0}>{t('path.orderFree')}</option>
        {options}
      </Select>
    </div>
  );
}

/** Walks all routes on request, and says on which a student would be stuck. */
function TryAll({
  draft,
  lesson,
  onOpenStop,
  onChoosePart,
}: Pick<Props, 'lesson' | 'onOpenStop' | 'onChoosePart'> & { readonly draft: Lesson }) {
  const [tried, setTried] = useState<{ readonly of: Lesson; readonly result: TriedRoutes | 'trying' } | null>(null);
  const result = tried?.of === lesson ? tried.result : null;
  const tryNow = async () => {
    setTried({ of: lesson, result: 'trying' });
    setTried({ of: lesson, result: await tryAll(lesson) });
  };
  const routes = result && result !== 'trying' ? result.routes : [];
  const stuckCount = routes.filter(({ stuckAt }) => stuckAt !== null).length;
  return (
    <section aria-labelledby="path-try" className="grid justify-items-start gap-2 border-t border-line pt-4">
      <h2 id="path-try" className="text-16">
        {t('path.try')}
      </h2>
      <p className="text-14 text-quiet">{t('path.tryHelp')}</p>
      <Button size="small" disabled={result === 'trying'} onClick={() => void tryNow()}>
        <RouteIcon aria-hidden className="size-4" strokeWidth={1.75} />
        {t(result === 'trying' ? 'path.trying' : 'path.tryAll')}
      </Button>
      {result && result !== 'trying' && (
        <Notice tone={stuckCount > 0 ? 'attention' : 'info'} role="status">
          <p>
            {stuckCount > 0
              ? t('path.stuck', { count: stuckCount })
              : t(result.isComplete ? 'path.allThrough' : 'path.coverThrough', { count: result.routes.length })}
          </p>
          {stuckFaults(lesson, routes).map(({ partId = '', stopId }) => (
            <button
              key={`${partId} ${stopId}`}
              type="button"
              className="text-left underline"
              onClick={() => (stopId === undefined ? onChoosePart(partId) : onOpenStop(partId, stopId))}
            >
              {t('path.stuckAt', { title: draft.parts.find(({ id }) => id === partId)?.title || t('path.untitled') })}
            </button>
          ))}
        </Notice>
      )}
    </section>
  );
}
