import { windowPhase, worthOf } from '@semita/core/assignment';
import type { TodoItem } from '@semita/core/contract';
import { CalendarClock } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { pathOf } from '../../api/client.ts';
import { buttonStyle } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { ProgressBar } from '../../ui/progress-bar.tsx';
import { formatInstant, formatPoints, formatShare } from '../../words/format.ts';
import { formatLengths } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** Few ever see it. */
const BeginAgain = lazy(() => import('./begin-again.tsx'));

/** One assignment in a student's lists, with the one thing to do about it. */
export function TodoCard({ item, now }: { readonly item: TodoItem; readonly now: number }) {
  const phase = windowPhase(item, now);
  const isDone = item.handedInAt !== null;
  const isBack = item.givenBack.count > 0;
  const canWalk = item.begun || (!item.waitsFor && (phase === 'open' || phase === 'pastDue'));
  const verb = isBack
    ? t('todo.workAgain')
    : isDone || phase === 'closed'
      ? t('todo.look')
      : item.begun
        ? t('todo.goOn')
        : t('todo.begin');
  const stops = t('todo.stops', { count: item.stopCount });
  return (
    <li className="grid gap-4 rounded-card border border-line bg-card p-5 sm:grid-cols-[1fr_auto] sm:items-center">
      <div className="grid gap-1.5">
        <h3 className="text-22">{item.title}</h3>
        <p className="text-14 text-quiet">{t('todo.from', { className: item.className, teacher: item.teacherName })}</p>
        <p className="text-14">
          {formatLengths(item)}, {stops}
        </p>
        {item.series && <p className="text-14 text-quiet">{seriesWords(item.series)}</p>}
        <Counts item={item} />
        {item.note && (
          <p className="border-l-2 border-slate pl-3 text-14 break-words whitespace-pre-wrap">
            <span className="text-quiet">{t('walk.teacherSays')}:</span> {item.note}
          </p>
        )}
        <p
          className={joinClasses(
            'flex flex-wrap items-center gap-x-1.5 text-14',
            phase === 'pastDue' && !isDone && 'text-brick',
          )}
        >
          <CalendarClock aria-hidden className="size-4 shrink-0" strokeWidth={1.75} />
          <span className="min-w-0 max-sm:max-w-[calc(100%-1.5rem)]">
            {isDone ? doneWords(item) : dueWords(item, phase)}
          </span>
          {!isDone && !item.excused && item.dueAt !== null && item.dueAt > now && (
            <a
              href={pathOf('saveDates', { assignmentId: item.assignmentId })}
              aria-label={t('app.verbOn', { verb: t('todo.saveDate'), title: item.title })}
              className="text-main underline max-sm:ml-5.5"
              download
            >
              {t('todo.saveDate')}
            </a>
          )}
        </p>
        {isBack && (
          <div className="grid gap-1 rounded-control border-l-4 border-marigold bg-marigold-tint px-3 py-2 text-14">
            <p className="font-semibold">{t('todo.givenBack', { count: item.givenBack.count })}</p>
            {item.givenBack.says.map((words) => (
              <p key={words} className="break-words whitespace-pre-wrap">
                {words}
              </p>
            ))}
          </div>
        )}
        {item.begun && !isDone && (
          <div className="flex max-w-sm items-center gap-3">
            <ProgressBar
              share={item.progress}
              label={t('todo.progress', { title: item.title, share: formatShare(item.progress) })}
            />
            <span className="font-mono text-14">{formatShare(item.progress)}</span>
          </div>
        )}
        {isDone && (
          <p className="text-14 text-quiet">
            {item.attempts.begun > 1 && `${t('todo.attempts', { count: item.attempts.begun })}. `}
            {pointWords(item)}
          </p>
        )}
      </div>
      {canWalk && (
        <div className="flex flex-wrap gap-2 sm:flex-col sm:items-stretch">
          <Link
            to={`/walk/${item.assignmentId}`}
            aria-label={t('app.verbOn', { verb, title: item.title })}
            className={buttonStyle({
              look: !isBack && (isDone || phase === 'closed') ? 'plain' : 'main',
              size: 'roomy',
            })}
          >
            {verb}
          </Link>
          {item.attempts.mayBegin && (
            <Suspense>
              <BeginAgain item={item} />
            </Suspense>
          )}
        </div>
      )}
    </li>
  );
}

/** What it counts, and what being late costs, as far as that is still to be known. */
function Counts({ item: { handedInAt, excused, category, worth, late, dueAt } }: { readonly item: TodoItem }) {
  if (excused) return null;
  const words = [
    ...(category ? [category] : []),
    ...(worth === undefined ? [] : [t('todo.worth', { count: worth / 100, points: formatPoints(worth) })]),
    ...(late?.kind === 'worthLess' && handedInAt === null && dueAt !== null
      ? [t('todo.lateCosts', { percent: late.percentEachDay, most: late.maxPercent })]
      : []),
  ];
  return words.length > 0 && <p className="text-14 text-quiet">{words.join(' · ')}</p>;
}

/** The row it is part of, and how far that is. */
function seriesWords({ title, number, count, done }: NonNullable<TodoItem['series']>): string {
  const place = number === null ? t('todo.besideSeries', { title }) : t('todo.inSeries', { title, number, count });
  return `${place} · ${t('todo.doneInSeries', { done, count })}`;
}

function pointWords(item: TodoItem): string {
  const { isWithheld, waiting, latePercent, worth } = item;
  if (isWithheld) return t('todo.withheld');
  if (waiting) return t('todo.waiting');
  const { earned, possible } = item;
  return [
    t('todo.points', { earned: formatPoints(earned), possible: formatPoints(possible) }),
    ...(latePercent > 0 ? [t('todo.lessForLate', { percent: latePercent })] : []),
    ...(worth === undefined
      ? []
      : [t('todo.counts', { points: formatPoints(worthOf({ earned, possible }, worth)), of: formatPoints(worth) })]),
  ].join(', ');
}

function doneWords({ handedInAt, dueAt, timeZone }: TodoItem): string {
  const words = t('todo.handedIn', { time: formatInstant(handedInAt ?? 0, timeZone) });
  return dueAt !== null && (handedInAt ?? 0) > dueAt ? `${words} (${t('todo.late')})` : words;
}

function dueWords(item: TodoItem, phase: ReturnType<typeof windowPhase>): string {
  const { opensAt, dueAt, closesAt, timeZone, excused, waitsFor } = item;
  if (excused) return t('todo.excused');
  if (waitsFor && phase !== 'closed')
    return [
      waitsFor.percent > 0 ? t('todo.waitsPoints', waitsFor) : t('todo.waits', { title: waitsFor.title }),
      ...(dueAt === null ? [] : [t('todo.due', { time: formatInstant(dueAt, timeZone) })]),
    ].join('. ');
  if (phase === 'notYetOpen' && opensAt !== null) return t('todo.opens', { time: formatInstant(opensAt, timeZone) });
  if (phase === 'closed' && closesAt !== null) return t('todo.closed', { time: formatInstant(closesAt, timeZone) });
  if (dueAt === null) return t('todo.noDue');
  if (phase !== 'pastDue') return t('todo.due', { time: formatInstant(dueAt, timeZone) });
  const wasDue = t('todo.wasDue', { time: formatInstant(dueAt, timeZone) });
  return closesAt === null ? wasDue : `${wasDue}. ${t('todo.closes', { time: formatInstant(closesAt, timeZone) })}`;
}
