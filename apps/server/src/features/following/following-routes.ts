import type { Handlers } from '../../http/serve-route.ts';
import type { FollowingService } from './following-service.ts';

export function followingHandlers(following: FollowingService): Pick<Handlers, 'readStopFigures' | 'readWatching'> {
  return {
    readStopFigures: ({ actor, params }) => following.readStopFigures(actor, params.assignmentId),
    readWatching: ({ actor, params }) => following.readWatching(actor, params.assignmentId),
  };
}
