import type { Retention } from '@semita/core/analysis';
import type { MaterialPart } from '@semita/core/lesson';
import { lazy, Suspense, useMemo } from 'react';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

const CurveChart = lazy(() => import('../../ui/charts/curve-chart.tsx'));

interface Props {
  readonly part: MaterialPart;
  readonly retention: Retention;
  readonly atMs: number;
  readonly onMove: (atMs: number) => void;
}

/** Steps of the arrows, and of Page up and down, in ms. */
const shortStepMs = 5_000;
const longStepMs = 30_000;
const axisSteps = [10_000, 15_000, 30_000, 60_000, 120_000, 300_000, 600_000, 1_200_000, 3_600_000];

/** The retention curve, along which a place is moved; what it says there is said in words. */
export function CurveWithPlace({ part, retention, atMs, onMove }: Props) {
  const { fromMs, stepMs, starters, met, again } = retention;
  const { inMs, outMs } = part;
  const points = useMemo(() => {
    const toPoints = (counts: readonly number[]) =>
      counts.map((count, step) => ({ x: fromMs + (step + 0.5) * stepMs, y: count }));
    return { met: toPoints(met), again: toPoints(again) };
  }, [met, again, fromMs, stepMs]);
  const marks = useMemo(() => part.stops.map((stop) => stop.atMs), [part.stops]);
  const stepAt = (ms: number) => Math.min(met.length - 1, Math.max(0, Math.floor((ms - fromMs) / stepMs)));
  const valueAt = (ms: number) => ({
    ...{ place: formatClock(ms), met: met[stepAt(ms)] ?? 0 },
    ...{ again: again[stepAt(ms)] ?? 0, all: starters },
  });
  const onKeyDown = (event: React.KeyboardEvent) => {
    const to = {
      ArrowLeft: atMs - shortStepMs,
      ArrowDown: atMs - shortStepMs,
      ArrowRight: atMs + shortStepMs,
      ArrowUp: atMs + shortStepMs,
      PageUp: atMs + longStepMs,
      PageDown: atMs - longStepMs,
      Home: inMs,
      End: outMs,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    onMove(Math.min(outMs, Math.max(inMs, to)));
  };
  const rowEveryMs = axisSteps.find((step) => (outMs - inMs) / step <= 24) ?? 3_600_000;
  const rows = Array.from({ length: Math.ceil((outMs - inMs) / rowEveryMs) }, (_, row) => inMs + row * rowEveryMs);
  return (
    <>
      <div
        role="slider"
        tabIndex={0}
        aria-label={t('watching.slider', { title: part.title })}
        aria-valuemin={Math.round(inMs / 1_000)}
        aria-valuemax={Math.round(outMs / 1_000)}
        aria-valuenow={Math.round(atMs / 1_000)}
        aria-valuetext={t('watching.sliderValue', valueAt(atMs))}
        onKeyDown={onKeyDown}
        className="rounded-control"
      >
        <div aria-hidden>
          <Suspense fallback={<div className="h-56" />}>
            <CurveChart
              {...{ marks, onMove }}
              curve={points.met}
              within={points.again}
              from={inMs}
              to={outMs}
              top={starters}
              at={atMs}
              wordsAt={formatClock}
              step={axisSteps.find((step) => (outMs - inMs) / step <= 10) ?? 3_600_000}
            />
          </Suspense>
        </div>
      </div>
      <p className="text-14" aria-hidden>
        {t('watching.sliderValue', valueAt(atMs))}
      </p>
      <ul className="flex flex-wrap gap-x-4 gap-y-1 text-13 text-quiet">
        {(
          [
            ['watching.met', 'h-3 bg-slate'],
            ['watching.again', 'h-3 bg-main'],
            ['watching.stops', 'h-0 border-t border-dashed border-ink'],
            ['watching.place', 'h-0 border-t-2 border-marigold'],
          ] as const
        ).map(([words, style]) => (
          <li key={words} className="flex items-center gap-1.5">
            <span aria-hidden className={`inline-block w-4 ${style}`} />
            {t(words)}
          </li>
        ))}
      </ul>
      <details className="text-14">
        <summary className="w-fit cursor-pointer text-quiet">{t('watching.table')}</summary>
        <table className="mt-2 w-full max-w-lg">
          <thead className="text-13 text-quiet">
            <tr>
              <th scope="col" className="text-left font-medium">
                {t('watching.time')}
              </th>
              <th scope="col" className="px-3 text-right font-medium">
                {t('watching.met')}
              </th>
              <th scope="col" className="text-right font-medium">
                {t('watching.again')}
              </th>
            </tr>
          </thead>
          <tbody className="divide-y divide-line font-mono text-13">
            {rows.map((ms) => (
              <tr key={ms}>
                <th scope="row" className="py-0.5 text-left font-normal">
                  {formatClock(ms)}
                </th>
                <td className="px-3 text-right">{valueAt(ms).met}</td>
                <td className="text-right">{valueAt(ms).again}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </>
  );
}
