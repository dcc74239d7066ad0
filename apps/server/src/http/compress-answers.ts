import compression from 'compression';
import type { RequestHandler } from 'express';

/**
 * Compresses answers of words. Streams of events are left alone: each would wait for the next, and cost memory for
 * every listener. Films and pictures are compressed already, and asked for by ranges.
 */
export const compressAnswers = (): RequestHandler =>
  compression({
    threshold: '1kb',
    filter: (req, res) =>
      !String(res.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(req, res),
  });
