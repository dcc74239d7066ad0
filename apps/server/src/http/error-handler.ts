import { type ErrorBody, statusOfError } from '@semita/core/contract';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { QueueFull } from '../reading/fair-queue.ts';
import { isDiskFull } from './disk-space.ts';
import { Refused } from './refused.ts';

/** Turns anything thrown into an answer with a code. Stack and SQL go to the log only. */
export function createErrorHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    const refused = toRefused(error);
    if (refused.code === 'internal')
      log.error({ err: error, route: req.route?.path, method: req.method }, 'unexpected error');
    if (res.headersSent) {
      next(error);
      return;
    }
    const body: ErrorBody = {
      code: refused.code,
      ...(refused.detail === undefined ? {} : { detail: refused.detail }),
    };
    res.status(statusOf(error) ?? statusOfError[refused.code]).json(body);
  };
}

function toRefused(error: unknown): Refused {
  if (error instanceof Refused) return error;
  if (error instanceof QueueFull) return new Refused('tooManyRequests');
  if (isDiskFull(error)) return new Refused('diskFull');
  const status = statusOf(error);
  if (status === 404) return new Refused('notFound');
  if (status === 413) return new Refused('bodyTooLarge');
  if (status !== undefined && status < 500) return new Refused('inputInvalid');
  return new Refused('internal');
}

/** Express' own parsers and `send` throw errors with a status: 400 for broken JSON, 413, 416 for a bad range. */
function statusOf(error: unknown): number | undefined {
  if (typeof error !== 'object' || error === null || !('status' in error)) return undefined;
  return typeof error.status === 'number' && error.status < 500 ? error.status : undefined;
}
