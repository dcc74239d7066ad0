import type { ScriptLine } from '../script/script.ts';

/** A stretch of a script that becomes a lesson of its own. */
export interface Stretch {
  readonly title: string;
  readonly inMs: number;
  readonly outMs: number;
}

const longestTitle = 120;

/** The first words of a line: of a slide its title. */
export const lineTitle = (line: ScriptLine): string => (line.text ?? '').split('\n')[0]?.slice(0, longestTitle) ?? '';

/**
 * Cuts a script into stretches, one for each line that begins one. What stands before the first of them belongs to it.
 * @param startIds ids of lines, in any order; unknown ones count for nothing
 */
export function splitMaterial(lines: readonly ScriptLine[], startIds: ReadonlySet<string>): readonly Stretch[] {
  const starts = lines.filter((line) => startIds.has(line.id));
  return starts.map((line, index) => ({
    title: lineTitle(line),
    inMs: index === 0 ? (lines[0]?.startMs ?? 0) : line.startMs,
    outMs: starts[index + 1]?.startMs ?? lines.at(-1)?.endMs ?? 0,
  }));
}

/** Titles that begin something: "Monday", "Day 2", "3. Arches". Common practice, no source. */
const beginning =
  /^(?:(?:mon|tues|wednes|thurs|fri|satur|sun)day\b|(?:day|lesson|part|chapter|unit|week|session|section)\s+(?:\d+|one|two|three|four|five|[ivx]+)\b|\d+[.)]\s)/i;

/** The lines at which lessons probably begin; the first where nothing else tells. */
export function suggestStarts(lines: readonly ScriptLine[]): ReadonlySet<string> {
  const found = lines.filter((line) => beginning.test(lineTitle(line)));
  return new Set((found.length > 0 ? found : lines.slice(0, 1)).map((line) => line.id));
}
