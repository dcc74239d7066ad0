import type { Handlers } from '../../http/serve-route.ts';
import type { MarkingService } from './marking-service.ts';
import type { WalkService } from './walk-service.ts';

type Names = 'listTodo' | 'listFeedback' | 'beginWalk' | 'takeInEvents' | 'readAttempt' | 'mark';

export function attemptHandlers(walks: WalkService, marking: MarkingService): Pick<Handlers, Names> {
  return {
    listTodo: ({ actor }) => walks.listTodo(actor),
    listFeedback: ({ actor }) => walks.listFeedback(actor),
    beginWalk: ({ actor, params }) => walks.begin(actor, params.assignmentId),
    takeInEvents: ({ actor, params, body }) => walks.takeInEvents(actor, params.attemptId, body.events),
    readAttempt: ({ actor, params }) => marking.readAttempt(actor, params.assignmentId, params.studentId),
    mark: ({ actor, params, body }) => marking.mark(actor, params.assignmentId, params.studentId, body),
  };
}
