import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { Refused } from '../../http/refused.ts';

const windowMs = 10 * 60_000;

/**
 * Ten failures in ten minutes for one name, however they are spread; three hundred for one address, because a whole
 * class signs in from one.
 */
export function createSignInThrottle(): RequestHandler[] {
  const shared = {
    windowMs,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8' as const,
    legacyHeaders: false,
    handler: ((_req, _res, next) => next(new Refused('signInThrottled'))) as RequestHandler,
  };
  const byName = rateLimit({
    ...shared,
    limit: 10,
    keyGenerator: (req) =>
      String((req.body as { name?: unknown } | undefined)?.name ?? '')
        .trim()
        .toLowerCase(),
  });
  const byAddress = rateLimit({ ...shared, limit: 300 });
  return [byAddress, byName];
}
