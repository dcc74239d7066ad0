import type { Handlers } from '../../http/serve-route.ts';
import type { Enter } from '../accounts/account-routes.ts';
import type { GuestService } from './guest-service.ts';

type Names = 'readGuestLink' | 'setGuestLink' | 'lookAtGuestLink' | 'comeAsGuest' | 'matchGuest' | 'removeGuest';

export function guestHandlers(guests: GuestService, enter: Enter): Pick<Handlers, Names> {
  return {
    readGuestLink: ({ params }) => guests.readLink(params.assignmentId),
    setGuestLink: ({ actor, params, body }) => guests.setLink(actor, params.assignmentId, body),
    lookAtGuestLink: ({ body, req }) => guests.look(body.token, req.ip ?? ''),
    comeAsGuest: async ({ body, req, res }) => {
      const { userId, assignmentId } = await guests.come(body.token, body.displayName, req.ip ?? '');
      return { me: enter(req, res, userId), assignmentId };
    },
    matchGuest: ({ actor, params, body }) => {
      guests.match(actor, params.assignmentId, params.studentId, body.toStudentId);
      return undefined;
    },
    removeGuest: async ({ actor, params }) => {
      await guests.remove(actor, params.assignmentId, params.studentId);
    },
  };
}
