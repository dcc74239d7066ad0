import { firstWords, type Lesson } from '@semita/core/lesson';
import { listRoutes, orderedStops, type PathFigures, pathFigures, type Route } from '@semita/core/path';
import { Flag } from 'lucide-react';
import { useMemo } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatMinutes, formatPoints } from '../../words/format.ts';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { stopLooks } from '../lesson-parts/stop-looks.ts';
import { RouteButton, routeTitles } from './route-button.tsx';
import './words.ts';

/** As many routes as are listed one by one. */
const maxListed = 40;

interface Props {
  readonly lesson: Lesson;
  readonly routeNumber: number | null;
  readonly onRoute: (number: number | null) => void;
}

/** What the routes come to, and the routes one by one; one of them can be lit. */
export function PathFiguresPanel({ lesson, routeNumber, onRoute }: Props) {
  const figures = useMemo(() => pathFigures(lesson), [lesson]);
  const routes = useMemo(() => listedRoutes(lesson), [lesson]);
  const lit = routeNumber === null ? undefined : routes[routeNumber];
  if (!figures) return <p className="text-quiet">{t('path.noRoute')}</p>;
  return (
    <>
      <Figures figures={figures} />
      <section aria-labelledby="path-routes" className="grid grid-cols-[minmax(0,1fr)] gap-2">
        <h2 id="path-routes" className="text-16">
          {t('path.routes')}
        </h2>
        {lesson.freeFrom !== undefined && <p className="text-14 text-quiet">{t('path.routesFree')}</p>}
        {figures.routeCount > BigInt(routes.length) && lesson.freeFrom === undefined && (
          <p className="text-14 text-quiet">
            {t('path.firstRoutes', { shown: routes.length, all: countWords(figures.routeCount) })}
          </p>
        )}
        <ol className="grid grid-cols-[minmax(0,1fr)] gap-1">
          {routes.map((route, index) => (
            <li key={keyOf(route)}>
              <RouteButton
                isLit={index === routeNumber}
                title={routeTitles(
                  lesson,
                  route.steps.map(({ node }) => node.partId),
                )}
                figures={[
                  formatMinutes(route.timeMs),
                  t('stop.pointsOnly', { count: route.points / 100, points: formatPoints(route.points) }),
                ].join(' · ')}
                onClick={() => onRoute(index === routeNumber ? null : index)}
              />
              {lit === route && <RouteScript lesson={lesson} route={route} />}
            </li>
          ))}
        </ol>
      </section>
    </>
  );
}

/** The routes that are listed. Where parts come in any order, one stands for all of them. */
export const listedRoutes = (lesson: Lesson): readonly Route[] => listRoutes(lesson, maxListed);

const countWords = (count: bigint) => count.toLocaleString('en');

function Figures({ figures }: { readonly figures: PathFigures }) {
  const { routeCount, timeMs, meanTimeMs, points, requiredStops, turnBackCount } = figures;
  const range = (least: string, most: string) => (least === most ? least : t('path.range', { least, most }));
  const rows = [
    [t('path.figure.routes'), countWords(routeCount)],
    [t('path.figure.shortest'), formatMinutes(timeMs.min)],
    [t('path.figure.mean'), formatMinutes(meanTimeMs)],
    [t('path.figure.longest'), formatMinutes(timeMs.max)],
    [t('path.figure.points'), range(formatPoints(points.min), formatPoints(points.max))],
    [t('path.figure.required'), range(String(requiredStops.min), String(requiredStops.max))],
    ...(turnBackCount > 0 ? [[t('path.figure.turnBack'), String(turnBackCount)] as const] : []),
  ] as const;
  return (
    <dl className="grid grid-cols-3 gap-x-3 gap-y-2">
      {rows.map(([name, value]) => (
        <div key={name} className={joinClasses('grid content-start', value.length > longestInColumn && 'col-span-3')}>
          <dt className="text-13 text-quiet">{name}</dt>
          <dd className="font-mono text-14 break-all">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Signs of a figure that stand in a third of the panel. */
const longestInColumn = 11;

/** No route goes through a place twice. */
const keyOf = ({ steps }: Route) => JSON.stringify(steps.map(({ node, via }) => [node.key, via]));

/** What a student on the route meets, in its order. */
function RouteScript({ lesson, route }: { readonly lesson: Lesson; readonly route: Route }) {
  return (
    <ol
      aria-label={t('path.routeScript')}
      className="mt-1 mb-2 ml-2 grid grid-cols-[minmax(0,1fr)] gap-1 border-l-2 border-main pl-3 text-14"
    >
      {route.steps.map(({ node }, index) => {
        const part = lesson.parts.find(({ id }) => id === node.partId);
        if (!part) return null;
        const isSame = route.steps[index - 1]?.node.partId === node.partId;
        return (
          <li key={node.key} className="grid grid-cols-[minmax(0,1fr)] gap-0.5">
            {!isSame && <span className="font-medium">{part.title || t('path.untitled')}</span>}
            {orderedStops(part)
              .slice(node.fromStop, node.untilStop)
              .map((stop) => {
                const { Icon, ink } = stopLooks[stop.kind];
                return (
                  <span key={stop.id} className="flex items-center gap-1.5 text-13 text-quiet">
                    <Icon aria-hidden className={joinClasses('size-3.5 shrink-0', ink)} strokeWidth={1.75} />
                    <span className="font-mono">{formatPosition(part.kind, stop)}</span>
                    <span className="truncate">{firstWords(stop)}</span>
                  </span>
                );
              })}
          </li>
        );
      })}
      <li className="flex items-center gap-1.5 text-13 text-quiet">
        <Flag aria-hidden className="size-3.5" strokeWidth={1.75} />
        {t('path.end')}
      </li>
    </ol>
  );
}
