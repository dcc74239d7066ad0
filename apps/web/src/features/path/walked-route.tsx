import type { WalkedPath } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import { waysOf } from '@semita/core/path';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { QueryView } from '../../ui/query-view.tsx';
import { formatMinutes } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { walkedPathOptions } from '../assignment/queries.ts';
import { PathList } from './path-list.tsx';
import { PathMap } from './path-map.tsx';
import { PathViews, usePathView } from './path-views.tsx';
import { RouteButton, routeTitles } from './route-button.tsx';
import '../assignment/words.ts';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{() => <Walked />}</AssignmentFrame>;
}

function Walked() {
  const { assignmentId = '' } = useParams();
  const query = useQuery(walkedPathOptions(assignmentId));
  return <QueryView query={query}>{(path) => <WalkedView path={path} />}</QueryView>;
}

/** Where the students of an assignment went: how many took each way, where they are, and how long each route took. */
function WalkedView({ path: { lesson, names, walked } }: { readonly path: WalkedPath }) {
  const isList = usePathView() === 'list';
  const [selectedId, setSelectedId] = useState<string | null>(null);
  const [routeNumber, setRouteNumber] = useState<number | null>(null);
  const ways = useMemo(() => waysOf(lesson), [lesson]);
  const taken = useMemo(() => new Map(Object.entries(walked.taken)), [walked]);
  const route = routeNumber === null ? undefined : walked.routes[routeNumber];
  const lit = useMemo(
    () => (route ? { wayKeys: new Set(route.wayKeys), partIds: new Set(route.partIds) } : null),
    [route],
  );
  const noteOf = useMemo(
    () => (partId: string) => {
      const here = walked.at[partId]?.length ?? 0;
      return here > 0 ? t('walked.here', { count: here }) : null;
    },
    [walked],
  );
  const shown = { lesson, ways, faults: noFaults, lit, taken, noteOf, selectedId, onSelect: setSelectedId };
  const here = selectedId === null ? [] : (walked.at[selectedId] ?? []);
  return (
    <div className="grid grow grid-cols-1 divide-line lg:h-[calc(100dvh-10rem)] lg:grid-cols-[minmax(0,1fr)_22rem] lg:divide-x">
      <section aria-label={t('path.title')} className="flex min-h-[28rem] min-w-0 flex-col">
        <div className="flex items-center gap-2 border-b border-line bg-card px-4 py-2">
          <PathViews />
        </div>
        <div className="min-h-0 grow overflow-y-auto">
          {isList ? <PathList {...shown} /> : <PathMap {...shown} apply={null} />}
        </div>
      </section>
      <aside
        aria-label={t('path.about')}
        className="grid min-h-0 grid-cols-[minmax(0,1fr)] content-start gap-5 overflow-y-auto p-4"
      >
        {selectedId !== null && (
          <section className="grid gap-1">
            <h2 className="text-16">{lesson.parts.find(({ id }) => id === selectedId)?.title || t('path.untitled')}</h2>
            <p className="text-14 text-quiet">
              {here.length === 0 ? t('walked.nobodyHere') : here.map((id) => names[id]).join(', ')}
            </p>
          </section>
        )}
        <section aria-labelledby="walked-routes" className="grid grid-cols-[minmax(0,1fr)] gap-2">
          <h2 id="walked-routes" className="text-16">
            {t('walked.routes')}
          </h2>
          {walked.routes.length === 0 && <p className="text-14 text-quiet">{t('walked.none')}</p>}
          <ol className="grid grid-cols-[minmax(0,1fr)] gap-1">
            {walked.routes.map((one, index) => (
              <li key={one.wayKeys.join(' ')}>
                <RouteButton
                  isLit={index === routeNumber}
                  title={routeTitles(lesson, one.partIds)}
                  figures={t('walked.figures', {
                    count: one.studentIds.length,
                    time: formatMinutes(one.medianTimeMs),
                  })}
                  onClick={() => setRouteNumber(index === routeNumber ? null : index)}
                />
                {index === routeNumber && (
                  <p className="mt-1 mb-2 ml-2 border-l-2 border-main pl-3 text-14">
                    {one.studentIds.map((id) => names[id]).join(', ')}
                  </p>
                )}
              </li>
            ))}
          </ol>
        </section>
        <TurnedBack lesson={lesson} turnedBack={walked.turnedBack} />
      </aside>
    </div>
  );
}

/** What is walked has no faults: an edition was made of it. */
const noFaults = new Map<string, never[]>();

function TurnedBack({
  lesson,
  turnedBack,
}: {
  readonly lesson: Lesson;
  readonly turnedBack: Readonly<Record<string, number>>;
}) {
  const rows = lesson.parts
    .flatMap(({ stops }) => stops)
    .flatMap((stop) =>
      stop.kind === 'fork' && turnedBack[stop.id] ? [{ stop, count: turnedBack[stop.id] ?? 0 }] : [],
    );
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby="walked-back" className="grid gap-1">
      <h2 id="walked-back" className="text-16">
        {t('walked.turnedBack')}
      </h2>
      <ul className="grid gap-1 text-14">
        {rows.map(({ stop, count }) => (
          <li key={stop.id}>
            {stop.prompt}: <span className="font-mono">{count}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
