import type { Me } from '@semita/core/contract';
import type { Request, Response } from 'express';
import { Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { Cookies } from '../../http/session-cookie.ts';
import type { Entered, SessionService } from './session-service.ts';
import type { SignInCards } from './sign-in-cards.ts';

/** People whom a visitor of a demo may enter as. */
export interface DemoPerson {
  readonly id: string;
  readonly story: string;
}

type Names =
  | 'readSession'
  | 'signIn'
  | 'signInByCard'
  | 'signOut'
  | 'signOutEverywhere'
  | 'putAwayFirstSteps'
  | 'listDemoPeople'
  | 'enterDemo';

interface Options {
  readonly sessions: SessionService;
  readonly clock: () => number;
  readonly demoPeople: readonly DemoPerson[] | null;
  readonly cookies: Cookies;
  readonly cards: SignInCards;
  readonly isEmpty: () => boolean;
  readonly putAwayFirstSteps: (userId: string) => void;
}

/** Lets the browser in that somebody has just made an account with. */
export type Enter = (req: Request, res: Response, userId: string) => Me;

function keep(cookies: Cookies, res: Response, { me, token, expiresAt, device }: Entered): Me {
  cookies.writeSession(res, token, expiresAt);
  cookies.writeDevice(res, device.token, device.expiresAt);
  return me;
}

export const createEnter =
  (sessions: SessionService, cookies: Cookies): Enter =>
  (req, res, userId) =>
    keep(cookies, res, sessions.enter(userId, cookies.readDevice(req), 'newAccount'));

export function accountHandlers(options: Options): Pick<Handlers, Names> {
  const { sessions, clock, demoPeople, cookies, cards, isEmpty, putAwayFirstSteps } = options;
  /** Whoever uses the device next finds nothing that was fetched for the one before. */
  const leave = (res: Response) => {
    cookies.clearSession(res);
    res.set('clear-site-data', '"cache"');
  };
  return {
    readSession: ({ req }) => {
      const actor = sessions.findActor(cookies.readSession(req));
      return {
        me: actor && sessions.getMe(actor.id),
        demo: demoPeople !== null,
        isEmpty: actor === null && isEmpty(),
        now: clock(),
      };
    },
    signIn: async ({ body, req, res }) => {
      const tried = { ...body, address: req.ip ?? '', deviceToken: cookies.readDevice(req) };
      return keep(cookies, res, await sessions.signIn(tried));
    },
    signInByCard: async ({ body, req, res }) => {
      const from = { address: req.ip ?? '', deviceToken: cookies.readDevice(req) };
      return keep(cookies, res, await cards.signIn(body, from));
    },
    signOut: ({ req, res }) => {
      sessions.signOut(cookies.readSession(req) ?? '');
      leave(res);
      return undefined;
    },
    signOutEverywhere: ({ actor, res }) => {
      sessions.signOutEverywhere(actor.id);
      leave(res);
      return undefined;
    },
    putAwayFirstSteps: ({ actor }) => {
      putAwayFirstSteps(actor.id);
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
