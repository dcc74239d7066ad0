import type { AttemptEvent, AttemptState, EventBody } from '@semita/core';
import { and, asc, eq, sql } from 'drizzle-orm';
import { assignments, attemptEvents, attempts } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type AttemptRepository = ReturnType<typeof createAttemptRepository>;

export interface AttemptKey {
  readonly attemptId: string;
  readonly assignmentId: string;
  readonly studentId: string;
}

/** The log and its caches. Statements of the hot path are prepared once. */
export function createAttemptRepository({ db }: Pick<Deps, 'db'>) {
  const key = { attemptId: attempts.id, assignmentId: attempts.assignmentId, studentId: attempts.studentId };

  const ownById = db
    .select({ ...key, opensAt: assignments.opensAt, dueAt: assignments.dueAt, closesAt: assignments.closesAt })
    .from(attempts)
    .innerJoin(assignments, eq(assignments.id, attempts.assignmentId))
    .where(and(eq(attempts.id, sql.placeholder('attemptId')), eq(attempts.studentId, sql.placeholder('studentId'))))
    .prepare();

  const stateById = db
    .select({ state: attempts.state })
    .from(attempts)
    .where(eq(attempts.id, sql.placeholder('attemptId')))
    .prepare();

  const insertEvent = db
    .insert(attemptEvents)
    .values({
      attemptId: sql.placeholder('attemptId'),
      seq: sql.placeholder('seq'),
      id: sql.placeholder('id'),
      sittingId: sql.placeholder('sittingId'),
      n: sql.placeholder('n'),
      at: sql.placeholder('at'),
      receivedAt: sql.placeholder('receivedAt'),
      body: sql.placeholder('body'),
    })
    .prepare();

  const updateState = db
    .update(attempts)
    .set({ state: sql`${sql.placeholder('state')}`, sheetRow: sql`${sql.placeholder('sheetRow')}` })
    .where(eq(attempts.id, sql.placeholder('attemptId')))
    .prepare();

  return {
    findOwn: (studentId: string, attemptId: string) => ownById.get({ studentId, attemptId }),

    findByStudent(assignmentId: string, studentId: string): AttemptKey | undefined {
      return db
        .select(key)
        .from(attempts)
        .where(and(eq(attempts.assignmentId, assignmentId), eq(attempts.studentId, studentId)))
        .get();
    },

    listAll: (): (AttemptKey & { begunAt: number; sheetRow: string })[] =>
      db
        .select({ ...key, begunAt: attempts.begunAt, sheetRow: attempts.sheetRow })
        .from(attempts)
        .all(),

    insert(attempt: AttemptKey & { begunAt: number; state: AttemptState; sheetRow: string }): void {
      const { attemptId, ...rest } = attempt;
      db.insert(attempts)
        .values({ id: attemptId, ...rest })
        .onConflictDoNothing()
        .run();
    },

    getState(attemptId: string): AttemptState {
      const row = stateById.get({ attemptId });
      if (!row) throw new Error(`No attempt ${attemptId}`);
      return row.state;
    },

    append(attemptId: string, seq: number, event: AttemptEvent): void {
      const { id, sittingId, n, at, receivedAt, ...body } = event;
      insertEvent.run({ attemptId, seq, id, sittingId, n, at, receivedAt, body: body as EventBody });
    },

    saveState(attemptId: string, state: AttemptState, sheetRow: string): void {
      updateState.run({ attemptId, state: JSON.stringify(state), sheetRow });
    },

    *readLog(attemptId: string): Generator<AttemptEvent> {
      const rows = db
        .select()
        .from(attemptEvents)
        .where(eq(attemptEvents.attemptId, attemptId))
        .orderBy(asc(attemptEvents.seq))
        .all();
      for (const { id, sittingId, n, at, receivedAt, body } of rows)
        yield { ...body, id, sittingId, n, at, receivedAt } as AttemptEvent;
    },
  };
}
