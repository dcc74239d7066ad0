import type { AttemptDetail } from '@semita/core/contract';
import { formatInstant, formatMinutes } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly lesson: AttemptDetail['lesson'];
  readonly state: NonNullable<AttemptDetail['state']>;
  readonly timeZone: string;
}

/** When somebody was there and for how long, and what they did in each part beside answering. */
export function HowItWent({ lesson, state: { parts, spells = [], spentIn = {} }, timeZone }: Props) {
  if (spells.length === 0) return null;
  const longestMs = Math.max(1, ...spells.map(({ spentMs }) => spentMs));
  return (
    <section aria-labelledby="how-it-went" className="grid gap-3">
      <h3 id="how-it-went" className="text-16">
        {t('student.howItWent')}
      </h3>
      <ol className="grid gap-1 text-14">
        {spells.map(({ fromAt, untilAt, spentMs, timesAway }) => (
          <li key={fromAt} className="grid grid-cols-[minmax(0,1fr)_7rem_auto] items-center gap-3">
            <span>
              {t('student.spell', { from: formatInstant(fromAt, timeZone), until: clockOf(untilAt, timeZone) })}
              {timesAway > 0 && <span className="text-quiet"> · {t('student.timesAway', { count: timesAway })}</span>}
            </span>
            <span aria-hidden className="h-2 rounded-full bg-line">
              <span
                className="block h-full rounded-full bg-slate"
                style={{ width: `${(spentMs / longestMs) * 100}%` }}
              />
            </span>
            <span className="w-16 text-right font-mono text-13">{formatMinutes(spentMs)}</span>
          </li>
        ))}
      </ol>
      <ul className="grid gap-1 text-14">
        {lesson.parts.flatMap(({ id, title }) => {
          const spentMs = spentIn[id] ?? 0;
          const { pauses = [], rewinds = [] } = parts[id] ?? {};
          if (spentMs === 0 && pauses.length === 0 && rewinds.length === 0) return [];
          return [
            <li key={id} className="flex gap-3">
              <span className="grow">
                {title}
                <span className="text-quiet">
                  {pauses.length > 0 && ` · ${t('student.pauses', { count: pauses.length })}`}
                  {rewinds.length > 0 && ` · ${t('student.rewinds', { count: rewinds.length })}`}
                </span>
              </span>
              <span className="font-mono text-13">{formatMinutes(spentMs)}</span>
            </li>,
          ];
        })}
      </ul>
    </section>
  );
}

/** The time of day alone: a spell that ends on another day is seldom, and its length stands beside it. */
const clockOf = (at: number, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }).format(at);
