import type { PartState, Rewind } from '../attempt/attempt-state.ts';
import type { Segment } from '../coverage/coverage.ts';
import type { WatchedLine } from './watching.ts';

type Stored = readonly [
  furthestMs: number,
  coverage: readonly number[],
  pauses: readonly number[],
  rewinds: readonly number[],
  blockMs: Readonly<Record<string, number>>,
];

/** Writes how one student went through one part as a short line of JSON, which nobody has to read to send it on. */
export function encodeWatching({ coverage, furthestMs, pauses = [], rewinds = [], blockMs = {} }: PartState): string {
  const stored: Stored = [
    Math.round(furthestMs),
    coverage.flatMap(({ fromMs, toMs, times }) => [Math.round(fromMs), Math.round(toMs), times]),
    pauses.map(Math.round),
    rewinds.flat().map(Math.round),
    blockMs,
  ];
  return JSON.stringify(stored);
}

/** Reads what `encodeWatching` wrote. */
export function decodeWatching(studentId: string, line: string): WatchedLine {
  const [furthestMs, flat, pauses, flatRewinds, blockMs] = JSON.parse(line) as Stored;
  const coverage: Segment[] = [];
  for (let i = 0; i < flat.length; i += 3)
    coverage.push({ fromMs: flat[i] as number, toMs: flat[i + 1] as number, times: flat[i + 2] as number });
  const rewinds: Rewind[] = [];
  for (let i = 0; i < flatRewinds.length; i += 2)
    rewinds.push([flatRewinds[i] as number, flatRewinds[i + 1] as number]);
  return { studentId, coverage, furthestMs, pauses, rewinds, blockMs };
}
