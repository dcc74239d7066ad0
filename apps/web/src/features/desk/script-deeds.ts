import type { BreakPoint, Inset, Stop } from '@semita/core';

/** What can be done from within a script, whatever it is the script of. */
export interface ScriptActions {
  readonly insert: (kind: Stop['kind'], gap: number) => void;
  readonly move: (stop: Stop, gap: number) => void;
  /** @returns whether the words stand in the stop's paragraph */
  readonly setPhrase: (stop: Stop, phrase: string) => boolean;
  readonly change: (stop: Stop) => void;
  readonly remove: (stop: Stop) => void;
  /** Cuts the part in two at a gap. */
  readonly split: (gap: number) => void;
  readonly setBreaks: (breaks: readonly BreakPoint[] | null) => void;
  readonly takeBreaks: (breaks: readonly BreakPoint[]) => void;
  readonly dropBreak: (place: BreakPoint) => void;
  /** Puts a film or a sound into a text, or takes it out. */
  readonly insertInset: (material: { readonly id: string; readonly title: string }, gap: number) => void;
  readonly removeInset: (inset: Inset) => void;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly setCursor: (line: number) => void;
}
