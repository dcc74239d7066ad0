import { loudnessBars } from '@semita/core/breaks';
import type { ScriptLine } from '@semita/core/script';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { heardOptions, lookInto } from './survey-film.ts';

/** What is seen and heard in a line of a film that has no captions. */
export interface LineSurvey {
  /** Address of a small picture; null while it is not there. */
  readonly frame: string | null;
  /** Loudness from 0 to 1, in equal steps over the line; none while nobody has listened. */
  readonly bars: readonly number[];
}

const barCount = 48;

/**
 * Surveys a film line by line, behind the page.
 * @param isNeeded false where captions tell what happens
 * @returns a survey for each line, filled as it comes; undefined where none is needed
 */
export function useSurveys(
  materialId: string,
  lines: readonly ScriptLine[],
  isNeeded: boolean,
): readonly LineSurvey[] | undefined {
  const heard = useQuery({ ...heardOptions(materialId), enabled: isNeeded });
  const [frames, setFrames] = useState<ReadonlyMap<number, string>>(new Map());
  const times = lines.map((line) => Math.round((line.startMs + line.endMs) / 2)).join();
  useEffect(() => {
    if (!isNeeded || times === '') return;
    const found = new Map<number, string>();
    const order = { src: pathOf('streamMedia', { materialId }), timesMs: times.split(',').map(Number) };
    const end = lookInto(order, (index, picture) => {
      found.set(index, URL.createObjectURL(picture));
      setFrames(new Map(found));
    });
    return () => {
      end();
      for (const address of found.values()) URL.revokeObjectURL(address);
    };
  }, [materialId, times, isNeeded]);
  const bars = useMemo(
    () => lines.map((line) => (heard.data ? loudnessBars(heard.data, line.startMs, line.endMs, barCount) : [])),
    [heard.data, lines],
  );
  return useMemo(
    () => (isNeeded ? bars.map((of, index) => ({ frame: frames.get(index) ?? null, bars: of })) : undefined),
    [isNeeded, bars, frames],
  );
}

const [barWidth, height] = [4, 40];

/** A frame and the loudness beside it: enough to find a place by. */
export function SurveyedLine({ survey: { frame, bars } }: { readonly survey: LineSurvey }) {
  return (
    <span className="flex items-center gap-3">
      <span className="block h-13 w-24 shrink-0 overflow-hidden rounded-control bg-film">
        {frame && <img src={frame} alt="" className="size-full object-cover" />}
      </span>
      <svg
        aria-hidden
        viewBox={`0 0 ${barCount * barWidth} ${height}`}
        preserveAspectRatio="none"
        className="h-10 w-full text-slate"
      >
        {bars.map((bar, index) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: bars have no identity but their place
            key={index}
            x={index * barWidth}
            width={barWidth - 1}
            y={(height * (1 - Math.max(0.04, bar))) / 2}
            height={height * Math.max(0.04, bar)}
            fill="currentColor"
          />
        ))}
      </svg>
    </span>
  );
}
