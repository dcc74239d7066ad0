import { suggestBreaks } from '@semita/core/breaks';
import type { Interval } from '@semita/core/coverage';
import type { ScriptLine } from '@semita/core/script';

/** What is asked of the worker; see `suggestBreaks`. */
export interface BreaksOrder {
  readonly lines: readonly ScriptLine[];
  /** The stretches between the stops that stand already. */
  readonly windows: readonly { readonly inMs: number; readonly outMs: number }[];
  readonly targetMs: number;
  readonly silences: readonly Interval[] | null;
}

self.onmessage = ({ data: { lines, windows, targetMs, silences } }: MessageEvent<BreaksOrder>) => {
  self.postMessage(windows.flatMap((window) => suggestBreaks(lines, window, targetMs, silences)));
};
