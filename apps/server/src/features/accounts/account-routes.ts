import { Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import { clearSessionCookie, readSessionCookie, writeSessionCookie } from '../../http/session-cookie.ts';
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
  readonly secureCookies: boolean;
}

export function accountHandlers({ sessions, clock, demoPeople, secureCookies }: Options): Pick<Handlers, Names> {
  return {
    readSession: ({ req }) => {
      const actor = sessions.findActor(readSessionCookie(req));
      return { me: actor && sessions.getMe(actor.id), demo: demoPeople !== null, now: clock() };
    },
    signIn: async ({ body, res }) => {
      const { me, token, expiresAt } = await sessions.signIn(body);
      writeSessionCookie(res, token, expiresAt, secureCookies);
      return me;
    },
    signOut: ({ req, res }) => {
      sessions.signOut(readSessionCookie(req) ?? '');
      clearSessionCookie(res, secureCookies);
      return undefined;
    },
    signOutEverywhere: ({ actor, res }) => {
      sessions.signOutEverywhere(actor);
      clearSessionCookie(res, secureCookies);
      return undefined;
    },
    listDemoPeople: () => (demoPeople ?? []).map(({ id, story }) => toDemoPerson(sessions, id, story)),
    enterDemo: ({ body, res }) => {
      if (!demoPeople?.some((person) => person.id === body.personId)) throw new Refused('notFound');
      const { token, expiresAt } = sessions.startSession(body.personId);
      writeSessionCookie(res, token, expiresAt, secureCookies);
      return sessions.getMe(body.personId);
    },
  };
}

function toDemoPerson(sessions: SessionService, id: string, story: string) {
  const { role, displayName } = sessions.getMe(id);
  return { id, role, displayName, story };
}
