import { decodeWatching, retentionOf, watchingFindings } from '@semita/core/analysis';
import type { WatchedPart, WatchingOrder } from './use-watched-part.ts';

/** A thousand lines of three quarters of an hour are gone through off the page's own thread. */
self.onmessage = ({ data: { lines, window } }: MessageEvent<WatchingOrder>) => {
  const read = lines.map(({ studentId, line }) => decodeWatching(studentId, line));
  const retention = retentionOf(read, window);
  self.postMessage({
    retention,
    findings: watchingFindings(read, window, retention),
    blockTimes: read.map(({ blockMs }) => blockMs),
  } satisfies WatchedPart);
};
