import compression from 'compression';
import type { RequestHandler, Response } from 'express';

/** Nothing shorter gets shorter by it. */
const worthBytes = 1024;

/**
 * Compresses answers of words. Streams of events are left alone: each would wait for the next, and cost memory for
 * every listener. Films and pictures are compressed already, and asked for by ranges.
 */
export const compressAnswers: RequestHandler = compression({
  threshold: worthBytes,
  filter: (req, res) =>
    !String(res.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(req, res),
});

/** Most answers are too short to be worth it, which is known here, before anything is made ready for it. */
export function sendJson(res: Response, answer: unknown): void {
  const body = Buffer.from(JSON.stringify(answer));
  res.setHeader('content-type', 'application/json; charset=utf-8');
  const send = () => res.end(body);
  if (body.length < worthBytes) {
    res.setHeader('content-length', body.length);
    send();
  } else compressAnswers(res.req, res, send);
}
