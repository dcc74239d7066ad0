import { sendFile } from '../../http/send-file.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { AnswerFileService } from './answer-files.ts';
import type { MarkingService } from './marking-service.ts';
import type { WalkService } from './walk-service.ts';

type Names =
  | 'listTodo'
  | 'listFeedback'
  | 'beginWalk'
  | 'takeInEvents'
  | 'sendAnswerFile'
  | 'readAnswerFile'
  | 'readAttempt'
  | 'mark';

export function attemptHandlers(
  walks: WalkService,
  marking: MarkingService,
  files: AnswerFileService,
): Pick<Handlers, Names> {
  return {
    listTodo: ({ actor }) => walks.listTodo(actor),
    listFeedback: ({ actor }) => walks.listFeedback(actor),
    beginWalk: ({ actor, params }) => walks.begin(actor, params.assignmentId),
    takeInEvents: ({ actor, params, body }) => walks.takeInEvents(actor, params.attemptId, body.events),
    sendAnswerFile: ({ actor, params, req }) => files.take(actor, params.attemptId, params.fileName, req),
    readAnswerFile: async ({ actor, params, res }) => {
      await sendFile(res, files.find(actor, params.fileId));
      return undefined;
    },
    readAttempt: ({ actor, params }) => marking.readAttempt(actor, params.assignmentId, params.studentId),
    mark: ({ actor, params, body }) => marking.mark(actor, params.assignmentId, params.studentId, body),
  };
}
