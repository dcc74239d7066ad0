import type { Response } from 'express';
import { Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { Cookies } from '../../http/session-cookie.ts';
import type { SessionService } from './session-service.ts';

/** People whom a visitor of a demo may enter as. */
export interface DemoPerson {
  readonly id: string;
  readonly story: string;
}

type Names = 'readSession' | 'signIn' | 'signOut' | 'signOutEverywhere' | 'listDemoPeople' | 'enterDemo';

interface Options {
  readonly sessions: SessionService;
  readonly clock: () => number;
  readonly demoPeople: readonly DemoPerson[] | null;
  readonly cookies: Cookies;
}

export function accountHandlers({ sessions, clock, demoPeople, cookies }: Options): Pick<Handlers, Names> {
  /** Whoever uses the device next finds nothing that was fetched for the one before. */
  const leave = (res: Response) => {
    cookies.clearSession(res);
    res.set('clear-site-data', '"cache"');
  };
  return {
    readSession: ({ req }) => {
      const actor = sessions.findActor(cookies.readSession(req));
      return { me: actor && sessions.getMe(actor.id), demo: demoPeople !== null, now: clock() };
    },
    signIn: async ({ body, req, res }) => {
      const tried = { ...body, address: req.ip ?? '', deviceToken: cookies.readDevice(req) };
      const { me, token, expiresAt, device } = await sessions.signIn(tried);
      cookies.writeSession(res, token, expiresAt);
      cookies.writeDevice(res, device.token, device.expiresAt);
      return me;
    },
    signOut: ({ req, res }) => {
      sessions.signOut(cookies.readSession(req) ?? '');
      leave(res);
      return undefined;
    },
    signOutEverywhere: ({ actor, res }) => {
      sessions.signOutEverywhere(actor);
      leave(res);
      return undefined;
    },
    listDemoPeople: () => (demoPeople ?? []).map(({ id, story }) => toDemoPerson(sessions, id, story)),
    enterDemo: ({ body, res }) => {
      if (!demoPeople?.some((person) => person.id === body.personId)) throw new Refused('notFound');
      const { token, expiresAt } = sessions.startSession(body.personId);
      cookies.writeSession(res, token, expiresAt);
      return sessions.getMe(body.personId);
    },
  };
}

function toDemoPerson(sessions: SessionService, id: string, story: string) {
  const { roles, displayName } = sessions.getMe(id);
  return { id, roles, displayName, story };
}
