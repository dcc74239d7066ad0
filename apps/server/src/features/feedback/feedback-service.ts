import { createHash } from 'node:crypto';
import { questionsOf } from '@semita/core/analysis';
import type { Answer } from '@semita/core/attempt';
import type { Said, StudentFeedback } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { EventIntake } from '../attempts/event-intake.ts';
import type { WalkService } from '../attempts/walk-service.ts';
import type { NoticeRepository } from '../notices/notice-repository.ts';
import type { FeedbackRepository, SaidTo } from './feedback-repository.ts';

export type FeedbackService = ReturnType<typeof createFeedbackService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'bus'> {
  readonly repository: FeedbackRepository;
  readonly walks: Pick<WalkService, 'listFeedback'>;
  readonly sheetOf: Pick<AssignmentService, 'readStudent' | 'listStudents'>;
  readonly given: Pick<AssignedLessons, 'getLesson'>;
  readonly intake: Pick<EventIntake, 'readState'>;
  readonly notices: Pick<NoticeRepository, 'add'>;
}

/** A short word about an answer, not a conversation. */
const mostSaid = 20;

/** What of an answer its student has seen: the same as long as nothing new is said to it. */
function markOf({ points, comment, voice, drawn, returned }: Answer, isShown: boolean, talk: readonly Said[]): string {
  const said = talk.filter(({ byTeacher }) => byTeacher).length;
  const told = [points, comment, voice?.fileId ?? null, drawn ? Object.keys(drawn).length : 0, returned ?? false];
  return createHash('sha256')
    .update(JSON.stringify([...told, isShown, said]))
    .digest('base64url')
    .slice(0, 16);
}

const toSaid = ({ id, displayName, text, at, byTeacher }: SaidTo): Said => ({ id, displayName, text, at, byTeacher });
const keyOf = ({ assignmentId, questionId }: { readonly assignmentId: string; readonly questionId: string }) =>
  `${assignmentId} ${questionId}`;

/** What teachers say to answers, whether it was seen, and what students answer. */
export function createFeedbackService({ db, clock, bus, repository, walks, sheetOf, given, intake, notices }: Options) {
  const listOf = (actor: Actor) => {
    const talk = groupBy(repository.listTalk(actor.id), keyOf);
    const seen = repository.listSeen(actor.id);
    return walks.listFeedback(actor).map(({ answer, isShown, ...item }) => {
      const key = keyOf({ assignmentId: item.assignmentId, questionId: item.question.id });
      const own = talk.get(key) ?? [];
      const mark = markOf(answer, isShown, own);
      const feedback: StudentFeedback = {
        ...item,
        isNew: seen.get(key) !== mark,
        mayTalk: isShown,
        // What their teacher says back waits like all else that is said.
        talk: own.filter(({ byTeacher }) => isShown || !byTeacher).map(toSaid),
      };
      return { feedback, mark };
    });
  };

  return {
    list: (actor: Actor): StudentFeedback[] => listOf(actor).map(({ feedback }) => feedback),

    see(actor: Actor): void {
      const fresh = listOf(actor).filter(({ feedback }) => feedback.isNew);
      if (fresh.length === 0) return;
      inTransaction(db, () => {
        for (const { feedback, mark } of fresh)
          repository.see(
            { assignmentId: feedback.assignmentId, studentId: actor.id, questionId: feedback.question.id },
            mark,
          );
      });
    },

    /** @throws Refused notFound where nothing is said to it that is shown; tooManyRequests where enough was said */
    writeBack(actor: Actor, { assignmentId, questionId }: { assignmentId: string; questionId: string }, text: string) {
      const item = listOf(actor).find(
        ({ feedback }) => feedback.assignmentId === assignmentId && feedback.question.id === questionId,
      );
      if (!item?.feedback.mayTalk) throw new Refused('notFound');
      if (item.feedback.talk.length >= mostSaid) throw new Refused('tooManyRequests');
      repository.say({ assignmentId, studentId: actor.id, questionId }, actor.id, text, clock());
    },

    readTalk(actor: Actor, assignmentId: string, studentId: string) {
      const { counted } = sheetOf.readStudent(actor, assignmentId, studentId);
      const talk = groupBy(repository.listTalk(studentId, assignmentId), ({ questionId }) => questionId);
      const seen = repository.listSeen(studentId);
      const answers = counted ? Object.values(intake.readState(counted.attemptId).stops) : [];
      return answers.flatMap((stop) =>
        Object.entries(stop.answers).map(([questionId, answer]) => {
          const own = talk.get(questionId) ?? [];
          const isSeen = seen.get(keyOf({ assignmentId, questionId })) === markOf(answer, true, own);
          return { questionId, isSeen, talk: own.map(toSaid) };
        }),
      );
    },

    /** @throws Refused answerMissing where there is no such answer; tooManyRequests where enough was said */
    answerBack(
      actor: Actor,
      key: { readonly assignmentId: string; readonly studentId: string; readonly questionId: string },
      text: string,
    ): void {
      const { assignmentId, studentId, questionId } = key;
      const { counted } = sheetOf.readStudent(actor, assignmentId, studentId);
      const stops = counted ? Object.values(intake.readState(counted.attemptId).stops) : [];
      if (!stops.some(({ answers }) => answers[questionId])) throw new Refused('answerMissing');
      const count = repository.countOf(key);
      if (count >= mostSaid) throw new Refused('tooManyRequests');
      repository.say(key, actor.id, text, clock());
      notices.add(studentId, assignmentId, {
        ...{ kind: 'wroteBack', key: `wroteBack ${assignmentId} ${questionId} ${count}`, about: null },
      });
      bus.publish('recipientChanged', { assignmentId, studentId });
    },

    listWroteBack(actor: Actor, assignmentId: string) {
      const followed = new Set(sheetOf.listStudents(actor, assignmentId).map(({ studentId }) => studentId));
      const waiting = repository.listUnanswered([assignmentId]).filter(({ studentId }) => followed.has(studentId));
      if (waiting.length === 0) return [];
      const stopOf = new Map(
        questionsOf(given.getLesson(assignmentId).lesson).map(({ stopId, question }) => [question.id, stopId]),
      );
      return waiting.map(({ assignmentId: _, ...one }) => ({ ...one, stopId: stopOf.get(one.questionId) ?? null }));
    },
  };
}
