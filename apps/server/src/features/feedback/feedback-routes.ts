import type { Handlers } from '../../http/serve-route.ts';
import type { FeedbackService } from './feedback-service.ts';

type Names = 'listFeedback' | 'seeFeedback' | 'writeBack' | 'readTalk' | 'answerBack' | 'listWroteBack';

export const feedbackHandlers = (feedback: FeedbackService): Pick<Handlers, Names> => ({
  listFeedback: ({ actor }) => feedback.list(actor),
  seeFeedback: ({ actor }) => {
    feedback.see(actor);
  },
  writeBack: ({ actor, params, body }) => {
    feedback.writeBack(actor, params, body.text);
  },
  readTalk: ({ actor, params }) => feedback.readTalk(actor, params.assignmentId, params.studentId),
  answerBack: ({ actor, params, body }) => {
    feedback.answerBack(actor, params, body.text);
  },
  listWroteBack: ({ actor, params }) => feedback.listWroteBack(actor, params.assignmentId),
});
