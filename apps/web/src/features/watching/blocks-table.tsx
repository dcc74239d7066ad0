import { medianOf } from '@semita/core/analysis';
import type { MaterialPart } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { QueryView } from '../../ui/query-view.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { contentOptions, contentScript } from '../reading/content.ts';
import type { WatchedPart } from './use-watched-part.ts';
import './words.ts';

interface Props {
  readonly part: MaterialPart;
  readonly watched: WatchedPart;
  readonly onChoose: (atMs: number) => void;
}

/** A text block by block, or a deck slide by slide: how many met each, how many again, and how long they took. */
export function BlocksTable(props: Props) {
  const content = useQuery(contentOptions(props.part.materialId));
  return <QueryView query={content}>{(data) => <Blocks {...props} lines={contentScript(data)} />}</QueryView>;
}

function Blocks({ part, watched, lines, onChoose }: Props & { readonly lines: ReturnType<typeof contentScript> }) {
  const { retention, blockTimes } = watched;
  const { fromMs, stepMs, starters, met, again } = retention;
  const rows = useMemo(
    () =>
      lines.flatMap((line, index) => {
        if (line.endMs <= part.inMs || line.startMs >= part.outMs) return [];
        const step = Math.floor(((line.startMs + line.endMs) / 2 - fromMs) / stepMs);
        const times = blockTimes.flatMap((own) => timeWithin(own, line) ?? []);
        const spentMs = times.length === 0 ? null : medianOf(times);
        return [{ line, number: index + 1, met: met[step] ?? 0, again: again[step] ?? 0, spentMs }];
      }),
    [lines, part, blockTimes, met, again, fromMs, stepMs],
  );
  return (
    <div className="max-h-96 overflow-y-auto">
      <table className="w-full text-14">
        <thead className="text-13 text-quiet">
          <tr>
            <th scope="col" className="pb-1 text-left font-medium">
              {t(part.kind === 'deck' ? 'watching.slide' : 'watching.block')}
            </th>
            <th scope="col" className="w-40 px-3 pb-1 text-left font-medium">
              {t('watching.met')}
            </th>
            <th scope="col" className="px-3 pb-1 text-right font-medium">
              {t('watching.again')}
            </th>
            <th scope="col" className="pb-1 text-right font-medium">
              {t('watching.spent')}
            </th>
          </tr>
        </thead>
        <tbody className="divide-y divide-line">
          {rows.map(({ line, number, met: count, again: twice, spentMs }) => (
            <tr key={line.id} className="hover:bg-main-tint">
              <th scope="row" className="text-left font-normal">
                <button
                  type="button"
                  onClick={() => onChoose(line.startMs)}
                  className="flex min-h-8 w-full items-center gap-3 text-left hover:underline"
                >
                  <span className="w-6 shrink-0 text-right font-mono text-13 text-quiet">{number}</span>
                  <span className="line-clamp-1">{line.text}</span>
                </button>
              </th>
              <td className="px-3">
                <span className="flex items-center gap-2">
                  <span aria-hidden className="h-2 grow rounded-full bg-line">
                    <span
                      className="block h-full rounded-full bg-slate"
                      style={{ width: `${(count / Math.max(1, starters)) * 100}%` }}
                    />
                  </span>
                  <span className="w-6 text-right font-mono text-13">{count}</span>
                </span>
              </td>
              <td className="px-3 text-right font-mono text-13">{twice}</td>
              <td className="text-right font-mono text-13">{spentMs === null ? '–' : formatClock(spentMs)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A block may have been met in pieces; null where it was not met. */
function timeWithin(
  times: Readonly<Record<number, number>>,
  { startMs, endMs }: { readonly startMs: number; readonly endMs: number },
): number | null {
  const own = Object.entries(times).filter(([at]) => Number(at) >= startMs && Number(at) < endMs);
  return own.length === 0 ? null : own.reduce((sum, [, ms]) => sum + ms, 0);
}
