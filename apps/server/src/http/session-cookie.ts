import { parse, serialize } from 'cookie';
import type { Request, Response } from 'express';

const name = 'semita_session';

export function readSessionCookie(req: Request): string | null {
  return parse(req.headers.cookie ?? '')[name] ?? null;
}

export function writeSessionCookie(res: Response, token: string, expiresAt: number, secure: boolean): void {
  res.append(
    'set-cookie',
    serialize(name, token, { httpOnly: true, sameSite: 'lax', secure, path: '/', expires: new Date(expiresAt) }),
  );
}

export function clearSessionCookie(res: Response, secure: boolean): void {
  res.append('set-cookie', serialize(name, '', { httpOnly: true, sameSite: 'lax', secure, path: '/', maxAge: 0 }));
}
