import type { RequestHandler } from 'express';
import { Refused } from './refused.ts';

const safeMethods = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Stands beside SameSite cookies against forged requests: what changes something must come from our own pages.
 * Programs that send no origin (tests, command lines) carry no browser's cookies and are let through.
 */
export const originCheck: RequestHandler = (req, _res, next) => {
  const origin = req.headers.origin;
  if (safeMethods.has(req.method) || origin === undefined) return next();
  next(isOwnOrigin(origin, req.headers.host) ? undefined : new Refused('originForeign'));
};

function isOwnOrigin(origin: string, host: string | undefined): boolean {
  return URL.canParse(origin) && new URL(origin).host === host;
}
