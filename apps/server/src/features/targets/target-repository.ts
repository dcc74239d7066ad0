import type { ListedTarget } from '@semita/core/contract';
import { type ReadTarget, targetKey } from '@semita/core/target';
import { and, asc, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { attempts, learningTargets, questionResults } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type TargetRepository = ReturnType<typeof createTargetRepository>;

const among = (ids: Iterable<string>) => sql`(select value from json_each(${JSON.stringify([...ids])}))`;

/** What students of a school learn, in one list that all its teachers bring to. */
export function createTargetRepository({ db, newId }: Pick<Deps, 'db' | 'newId'>) {
  return {
    list: ({ id: actorId, schoolId }: Pick<Actor, 'id' | 'schoolId'>): ListedTarget[] =>
      db
        .select()
        .from(learningTargets)
        .where(eq(learningTargets.schoolId, schoolId))
        .orderBy(asc(learningTargets.place))
        .all()
        .map(({ id, code, words, parentCode, ownerId }) => ({
          id,
          code,
          words,
          parentCode,
          isOwn: ownerId === actorId,
        })),

    /** Codes that there are already get the words that are brought. */
    bringIn({ id: ownerId, schoolId }: Pick<Actor, 'id' | 'schoolId'>, targets: readonly ReadTarget[]) {
      return inTransaction(db, () => {
        const rows = db.select().from(learningTargets).where(eq(learningTargets.schoolId, schoolId)).all();
        const known = new Map(rows.map((row) => [row.codeKey, row]));
        let place = rows.reduce((last, row) => Math.max(last, row.place), -1);
        let [added, changed] = [0, 0];
        for (const { code, words, parentCode } of targets) {
          const codeKey = targetKey(code);
          const row = known.get(codeKey);
          const values = { code, words, parentCode };
          if (!row) {
            const made = { id: newId(), schoolId, ownerId, codeKey, place: ++place, ...values };
            db.insert(learningTargets).values(made).run();
            known.set(codeKey, made);
            added++;
          } else if (row.words !== words || row.parentCode !== parentCode || row.code !== code) {
            db.update(learningTargets).set(values).where(eq(learningTargets.id, row.id)).run();
            changed++;
          }
        }
        return { added, changed };
      });
    },

    /** What questions name keeps what it is called, as words of its own. */
    remove(targetId: string): void {
      db.delete(learningTargets).where(eq(learningTargets.id, targetId)).run();
    },

    /** What some attempts say of some questions, as far as it is marked. */
    listResults: (attemptIds: readonly string[], questionIds: Iterable<string>) =>
      db
        .select({
          ...{ studentId: attempts.studentId, assignmentId: attempts.assignmentId },
          at: sql<number>`coalesce(${attempts.handedInAt}, ${attempts.begunAt})`,
          ...{ questionId: questionResults.questionId, earned: questionResults.points },
          possible: questionResults.possible,
        })
        .from(attempts)
        .innerJoin(questionResults, eq(questionResults.attemptId, attempts.id))
        .where(
          and(
            inArray(attempts.id, among(attemptIds)),
            inArray(questionResults.questionId, among(questionIds)),
            isNotNull(questionResults.points),
          ),
        )
        .orderBy(asc(attempts.id), asc(questionResults.stopId), asc(questionResults.questionId))
        .all(),
  };
}
