import type { Request } from 'express';
import { Refused } from '../../http/refused.ts';
import { sendFile } from '../../http/send-file.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { AnswerFileService, SentFile } from './answer-files.ts';
import type { EditionSwap } from './edition-swap.ts';
import type { MarkingService } from './marking-service.ts';
import type { PathService } from './path-service.ts';
import type { PhraseRepository } from './phrase-repository.ts';
import type { RubricRepository } from './rubric-repository.ts';
import type { ThreadService } from './thread-service.ts';
import type { WalkService } from './walk-service.ts';

type Names =
  | 'listTodo'
  | 'beginWalk'
  | 'beginAgain'
  | 'takeInEvents'
  | 'sendAnswerFile'
  | 'readAnswerFile'
  | 'readAttempt'
  | 'readWalkedPath'
  | 'mark'
  | 'planSwap'
  | 'swapEdition'
  | 'markMany'
  | 'admitLate'
  | 'listMarking'
  | 'readAnswers'
  | 'changeKey'
  | 'readMarkHistory'
  | 'sendMarkVoice'
  | 'listPhrases'
  | 'addPhrase'
  | 'removePhrase'
  | 'listRubrics'
  | 'keepRubric'
  | 'readThread'
  | 'replyInThread'
  | 'hideInThread';

/** What stands behind the routes of attempts. */
export interface AttemptUseCases {
  readonly walks: WalkService;
  readonly marking: MarkingService;
  readonly paths: PathService;
  readonly swaps: EditionSwap;
  readonly answerFiles: AnswerFileService;
  readonly phrases: PhraseRepository;
  readonly rubrics: RubricRepository;
  readonly threads: ThreadService;
}

const sentFile = (req: Request): SentFile => ({
  body: req,
  declaredBytes: Number(req.headers['content-length'] ?? 0) || 0,
});

export function attemptHandlers(useCases: AttemptUseCases): Pick<Handlers, Names> {
  const { walks, marking, paths, swaps, answerFiles: files, phrases, rubrics, threads } = useCases;
  return {
    listTodo: ({ actor }) => walks.listTodo(actor),
    planSwap: ({ actor, params, body }) => swaps.plan(actor, params.assignmentId, body.editionNumber),
    swapEdition: ({ actor, params, body }) => swaps.swap(actor, params.assignmentId, body),
    beginWalk: ({ actor, params }) => walks.begin(actor, params.assignmentId),
    beginAgain: ({ actor, params }) => walks.beginAgain(actor, params.assignmentId),
    takeInEvents: ({ actor, params, body }) => walks.takeInEvents(actor, params.attemptId, body.events),
    sendAnswerFile: ({ actor, params, req }) => files.take(actor, params.attemptId, params.fileName, sentFile(req)),
    readAnswerFile: async ({ params, res }) => {
      await sendFile(res, files.find(params.fileId));
      return undefined;
    },
    readWalkedPath: ({ actor, params }) => paths.readWalkedPath(actor, params.assignmentId),
    readAttempt: ({ actor, params }) => marking.readAttempt(actor, params.assignmentId, params.studentId),
    mark: ({ actor, params, body }) => marking.mark(actor, params.assignmentId, params.studentId, body),
    markMany: async ({ actor, params, body }) => {
      await marking.markMany(actor, params.assignmentId, body.studentIds, body.mark);
      return undefined;
    },
    admitLate: ({ actor, params }) => marking.admitLate(actor, params.assignmentId, params.studentId),
    listMarking: ({ actor, params }) => marking.listMarking(actor, params.assignmentId),
    readAnswers: ({ actor, params }) => marking.readAnswers(actor, params.assignmentId, params.questionId),
    changeKey: ({ actor, params, body }) => marking.changeKey(actor, params, body),
    readMarkHistory: ({ actor, params }) => marking.readHistory(actor, params.assignmentId, params.studentId),
    sendMarkVoice: ({ actor, params, req }) =>
      files.takeFromTeacher(actor, params.assignmentId, params.studentId, params.fileName, sentFile(req)),
    listPhrases: ({ actor }) => phrases.list(actor),
    addPhrase: ({ actor, body }) => phrases.add(actor, body.text),
    listRubrics: ({ actor }) => rubrics.list(actor),
    keepRubric: ({ actor, body }) => {
      rubrics.keep(actor, body.title, body.content);
      return undefined;
    },
    readThread: ({ actor, params }) => threads.read(actor, params.assignmentId, params.questionId),
    replyInThread: ({ actor, params, body }) =>
      threads.reply(actor, params.assignmentId, params.questionId, params.studentId, body.text),
    hideInThread: ({ actor, params, body }) => threads.hide(actor, params, body),
    removePhrase: ({ actor, params }) => {
      if (!phrases.remove(actor, params.phraseId)) throw new Refused('notFound');
      return undefined;
    },
  };
}
