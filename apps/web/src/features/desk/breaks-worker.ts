import { type Interval, type ScriptLine, suggestBreaks } from '@semita/core';

/** What is asked of the worker; see `suggestBreaks`. */
export interface BreaksOrder {
  readonly lines: readonly ScriptLine[];
  readonly window: { readonly inMs: number; readonly outMs: number };
  readonly targetMs: number;
  readonly silences: readonly Interval[] | null;
}

self.onmessage = ({ data }: MessageEvent<BreaksOrder>) => {
  self.postMessage(suggestBreaks(data.lines, data.window, data.targetMs, data.silences));
};
