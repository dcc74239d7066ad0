import type { RequestHandler } from 'express';
import { Refused } from './refused.ts';

const safeMethods = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Stands beside SameSite cookies against forged requests: what changes something must come from our own pages.
 * Programs that send no origin (tests, command lines) carry no browser's cookies and are let through.
 * @param secure pages are served over https: a page of the same host over http is not ours
 */
export function createOriginCheck(secure: boolean): RequestHandler {
  const scheme = secure ? 'https:' : 'http:';
  return (req, _res, next) => {
    const { origin, host } = req.headers;
    if (safeMethods.has(req.method) || origin === undefined) return next();
    next(isOwn(origin, scheme, host) ? undefined : new Refused('originForeign'));
  };
}

function isOwn(origin: string, scheme: string, host: string | undefined): boolean {
  if (!URL.canParse(origin)) return false;
  const url = new URL(origin);
  return url.protocol === scheme && url.host === host;
}
