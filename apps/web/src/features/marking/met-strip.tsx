import type { PartState } from '@semita/core/attempt';
import { coverageStrip, metShare } from '@semita/core/coverage';
import { type Part, stopsInOrder } from '@semita/core/lesson';
import { formatClock, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

const colours = ['var(--color-line)', 'var(--color-slate)', 'var(--color-main)'];
const heights = [0.25, 0.6, 1];

/** What a student met of a part: never, once, twice or more. Height first, colour second. */
export function MetStrip({ part, partState }: { readonly part: Part; readonly partState: PartState | undefined }) {
  const window = { fromMs: part.inMs, toMs: part.outMs };
  const strip = coverageStrip(partState?.coverage ?? [], window);
  const lengthMs = Math.max(1, part.outMs - part.inMs);
  const x = (ms: number) => (600 * (ms - part.inMs)) / lengthMs;
  const label = t('student.stripLabel', { share: formatShare(metShare(partState?.coverage ?? [], window)) });
  return (
    <figure className="grid gap-1">
      <svg viewBox="0 0 600 40" className="w-full" preserveAspectRatio="none" role="img" aria-label={label}>
        <title>{label}</title>
        {strip.map(({ fromMs, toMs, times }) => {
          const level = Math.min(times, 2);
          const height = 32 * (heights[level] as number);
          return (
            <rect
              key={fromMs}
              x={x(fromMs)}
              width={x(toMs) - x(fromMs)}
              y={36 - height}
              height={height}
              fill={colours[level]}
            >
              <title>{`${formatClock(fromMs)}–${formatClock(toMs)}: ${times} ×`}</title>
            </rect>
          );
        })}
        {stopsInOrder(part.stops).map((stop) => (
          <line
            key={stop.id}
            x1={x(stop.atMs)}
            x2={x(stop.atMs)}
            y1="0"
            y2="40"
            stroke="var(--color-ink)"
            strokeWidth="1.5"
          />
        ))}
      </svg>
      <figcaption className="flex flex-wrap gap-x-4 text-13 text-quiet">
        {[t('student.metNever'), t('student.met'), t('student.metTwice')].map((words, level) => (
          <span key={words} className="flex items-center gap-1.5">
            <span
              className="inline-block w-3"
              style={{ background: colours[level], height: 14 * (heights[level] as number) }}
            />
            {words}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
