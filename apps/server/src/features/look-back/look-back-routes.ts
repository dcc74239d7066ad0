import type { Handlers } from '../../http/serve-route.ts';
import type { LookBackRepository } from './look-back-repository.ts';

export const lookBackHandlers = (lookBacks: LookBackRepository): Pick<Handlers, 'readLookBack' | 'setLookBack'> => ({
  readLookBack: ({ params }) => lookBacks.find(params.assignmentId),
  setLookBack: ({ params, body }) => {
    lookBacks.set(params.assignmentId, body);
  },
});
