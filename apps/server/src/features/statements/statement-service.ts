import { createHash } from 'node:crypto';
import type { SentStatements } from '@semita/core/contract';
import { type Statement, statementsOf } from '@semita/core/statements';
import type { Deps } from '../../deps.ts';
import { Refused } from '../../http/refused.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { AttemptRepository } from '../attempts/attempt-repository.ts';
import type { RecordStore } from './record-store.ts';

export type StatementService = ReturnType<typeof createStatementService>;

interface Options extends Pick<Deps, 'clock'> {
  readonly given: Pick<AssignedLessons, 'getLesson' | 'contextOf'>;
  readonly sheetOf: Pick<AssignmentService, 'listStudents'>;
  readonly attempts: Pick<AttemptRepository, 'getStored' | 'readLog'>;
  readonly security: Pick<SecurityLog, 'record'>;
  readonly store: RecordStore | null;
  /** Where this installation is reached. */
  readonly publicUrl: string;
}

/** A store takes so many at once without complaint. */
const perBatch = 100;

/** What the students of an assignment did, as statements of xAPI: under pseudonyms, which only this school can resolve. */
export function createStatementService({ clock, given, sheetOf, attempts, security, store, publicUrl }: Options) {
  const homePage = publicUrl.replace(/\/$/, '');
  const pseudonymOf = (studentId: string) =>
    createHash('sha256').update(`statements ${studentId}`).digest('hex').slice(0, 32);

  /** One attempt after the other: nobody else waits for a whole class. */
  async function* read(actor: Actor, assignmentId: string): AsyncGenerator<readonly Statement[]> {
    const listed = sheetOf.listStudents(actor, assignmentId).flatMap((one) => one.attempts);
    for (const { attemptId, studentId, editionId } of listed) {
      await new Promise(setImmediate);
      const stored = attempts.getStored(attemptId);
      const { lesson, lessonId, editionNumber } = given.getLesson(assignmentId, editionId);
      yield statementsOf(lesson, given.contextOf(stored), stored, attempts.readLog(attemptId), {
        actor: { objectType: 'Agent', account: { homePage, name: pseudonymOf(studentId) } },
        registration: attemptId,
        lessonIri: `${homePage}/lessons/${encodeURIComponent(lessonId)}/editions/${editionNumber}`,
        now: clock(),
      });
    }
  }

  const sendAll = async (actor: Actor, assignmentId: string): Promise<SentStatements> => {
    if (!store) throw new Refused('notFound');
    security.record('exported', actor.id, 'statements');
    const total = { sent: 0, conflicting: 0, refused: 0 };
    for await (const statements of read(actor, assignmentId))
      for (let from = 0; from < statements.length; from += perBatch) {
        const { sent, conflicting, refused } = await store.send(statements.slice(from, from + perBatch));
        total.sent += sent;
        total.conflicting += conflicting;
        total.refused += refused;
      }
    return total;
  };
  const sending = new Map<string, Promise<SentStatements>>();

  return {
    host: store?.host ?? null,

    titleOf: (assignmentId: string): string => given.getLesson(assignmentId).lesson.title,

    /** A list of JSON, piece by piece. */
    async *write(actor: Actor, assignmentId: string): AsyncGenerator<string> {
      security.record('exported', actor.id, 'statements');
      let isFirst = true;
      yield '[';
      for await (const statements of read(actor, assignmentId))
        for (const statement of statements) {
          yield `${isFirst ? '' : ','}\n${JSON.stringify(statement)}`;
          isFirst = false;
        }
      yield '\n]\n';
    },

    /**
     * Sends all of them to the store; what is there already stays as it is. Asked again while it goes on, it goes on.
     * @throws Refused notFound where there is no store, recordStoreSilent
     */
    send(actor: Actor, assignmentId: string): Promise<SentStatements> {
      const key = `${actor.id} ${assignmentId}`;
      const going = sending.get(key) ?? sendAll(actor, assignmentId).finally(() => sending.delete(key));
      sending.set(key, going);
      return going;
    },
  };
}
