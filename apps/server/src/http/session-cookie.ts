import { parse, serialize } from 'cookie';
import type { Request, Response } from 'express';

/** Over https the name itself says that only this host over https may have set the cookie (RFC 6265bis, 4.1.3.2). */
const nameOf = (base: string, secure: boolean) => (secure ? `__Host-${base}` : base);

/** The cookies of an installation: who is signed in, and which device it is. */
export function createCookies({ secure }: { readonly secure: boolean }) {
  const [session, device] = [nameOf('semita_session', secure), nameOf('semita_device', secure)];
  const shared = { httpOnly: true, sameSite: 'lax', secure, path: '/' } as const;
  const read = (req: Request, name: string) => parse(req.headers.cookie ?? '')[name] ?? null;
  const write = (res: Response, name: string, token: string, expiresAt: number) =>
    res.append('set-cookie', serialize(name, token, { ...shared, expires: new Date(expiresAt) }));
  return {
    readSession: (req: Request) => read(req, session),
    writeSession: (res: Response, token: string, expiresAt: number) => write(res, session, token, expiresAt),
    clearSession: (res: Response) => res.append('set-cookie', serialize(session, '', { ...shared, maxAge: 0 })),
    readDevice: (req: Request) => read(req, device),
    writeDevice: (res: Response, token: string, expiresAt: number) => write(res, device, token, expiresAt),
  };
}

export type Cookies = ReturnType<typeof createCookies>;
