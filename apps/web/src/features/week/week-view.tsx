import { dayOffOn, localDay, weekOf, weeksLater } from '@semita/core/calendar';
import { useQuery } from '@tanstack/react-query';
import { Check, ChevronLeft, ChevronRight, CircleDot, DoorClosed, Flag } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import type { WeekEntry } from './entries.ts';
import { schoolDaysOptions } from './queries.ts';
import './words.ts';

const icons = { opens: CircleDot, due: Flag, closes: DoorClosed } as const;

/** One week of what opens, is due and closes; which one stands in the address, so that Back goes back. */
export function WeekView({ entries, now }: { readonly entries: readonly WeekEntry[]; readonly now: number }) {
  const [params, setParams] = useSearchParams();
  const today = localDay(now, Intl.DateTimeFormat().resolvedOptions().timeZone);
  const asked = params.get('from') ?? '';
  const days = weekOf(/^\d{4}-\d{2}-\d{2}$/.test(asked) && !Number.isNaN(Date.parse(asked)) ? asked : today);
  const [monday = today] = days;
  const isThis = days.includes(today);
  const go = (weeks: number) => setParams({ from: weeksLater(monday, weeks) });
  // The week is there without it.
  const schoolDays = useQuery(schoolDaysOptions()).data ?? [];
  const inWeek = entries.filter(({ date }) => days.includes(date));
  return (
    <div className="@container grid gap-4">
      <div className="flex flex-wrap items-center gap-2">
        <Button aria-label={t('week.before')} onClick={() => go(-1)}>
          <ChevronLeft aria-hidden className="size-5" strokeWidth={1.75} />
        </Button>
        <Button aria-label={t('week.after')} onClick={() => go(1)}>
          <ChevronRight aria-hidden className="size-5" strokeWidth={1.75} />
        </Button>
        <p className="text-18" aria-live="polite">
          {t('week.range', { from: dayWords(monday), until: dayWords(days[6] ?? monday, true) })}
        </p>
        {!isThis && (
          <Button size="small" onClick={() => setParams({})}>
            {t('week.today')}
          </Button>
        )}
      </div>
      {inWeek.length === 0 && <p className="text-quiet">{t('week.empty')}</p>}
      <ol className="grid gap-px overflow-hidden rounded-card border border-line bg-line @4xl:grid-cols-7">
        {days.map((date) => (
          <Day
            key={date}
            date={date}
            isToday={date === today}
            off={dayOffOn(schoolDays, date)}
            entries={inWeek.filter((one) => one.date === date)}
          />
        ))}
      </ol>
    </div>
  );
}

interface DayProps {
  readonly date: string;
  readonly isToday: boolean;
  /** Why there is no school. */
  readonly off: string | null;
  readonly entries: readonly WeekEntry[];
}

function Day({ date, isToday, off, entries }: DayProps) {
  return (
    <li
      aria-current={isToday ? 'date' : undefined}
      className={joinClasses(
        'grid min-w-0 content-start gap-2 bg-card p-3 @4xl:min-h-56',
        entries.length === 0 && 'max-@4xl:grid-flow-col max-@4xl:justify-between max-@4xl:py-2',
      )}
    >
      <h2 className={joinClasses('text-14', isToday ? 'font-semibold text-main' : 'text-quiet')}>
        {dayWords(date)}
        {isToday && `, ${t('week.isToday')}`}
      </h2>
      {off !== null && (
        <p className="rounded-control bg-slate-tint px-2 py-0.5 text-13 break-words text-slate">{off}</p>
      )}
      {entries.length === 0 && off !== null ? null : entries.length === 0 ? (
        <p className="text-13 text-quiet @4xl:hidden">{t('week.nothing')}</p>
      ) : (
        <ul className="grid gap-2">
          {entries.map((entry) => (
            <Entry key={entry.key} entry={entry} />
          ))}
        </ul>
      )}
    </li>
  );
}

const edges = { opens: 'border-l-slate', due: 'border-l-marigold', closes: 'border-l-line' } as const;

function Entry({ entry: { kind, time, title, beside, to, state, isDone } }: { readonly entry: WeekEntry }) {
  const Icon = isDone ? Check : icons[kind];
  return (
    <li className={joinClasses('grid gap-0.5 border-l-4 pl-2', isDone ? 'border-l-spruce' : edges[kind])}>
      <p className="flex items-center gap-1 text-13 text-quiet">
        <Icon aria-hidden className="size-3.5 shrink-0" strokeWidth={1.75} />
        {t(`week.${kind}`, { time })}
      </p>
      {to === null ? (
        <span className="text-14 font-medium break-words">{title}</span>
      ) : (
        <Link to={to} className="text-14 font-medium break-words underline-offset-2 hover:underline">
          {title}
        </Link>
      )}
      <p className="text-13 break-words text-quiet">{[beside, ...(state ? [state] : [])].join(', ')}</p>
    </li>
  );
}

/** Mon 30 Nov, and the year where that is asked for. */
function dayWords(date: string, withYear = false): string {
  const [day, rest] = [new Date(`${date}T12:00:00Z`), withYear ? ({ year: 'numeric' } as const) : {}];
  return new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
    ...rest,
  })
    .format(day)
    .replace(',', '');
}
