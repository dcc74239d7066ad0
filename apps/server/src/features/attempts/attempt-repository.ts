import {
  type AttemptEvent,
  type AttemptState,
  type Beginning,
  type EventBody,
  type MergedDrafts,
  reducerVersion,
} from '@semita/core/attempt';
import { encodeSheetRow, outlineOf, type SheetRow } from '@semita/core/sheet';
import { and, asc, desc, eq, gt, gte, inArray, ne, sql } from 'drizzle-orm';
import { attemptEvents, attemptStates, attempts } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type AttemptRepository = ReturnType<typeof createAttemptRepository>;

export interface AttemptKey {
  readonly attemptId: string;
  readonly assignmentId: string;
  readonly studentId: string;
  /** From 1, for each student. */
  readonly number: number;
  readonly editionId: string;
}

/** A draft as it stands in the log. */
export interface LoggedDraft {
  readonly seq: number;
  readonly sittingId: string;
  readonly n: number;
  readonly at: number;
  readonly receivedAt: number;
  readonly merged: MergedDrafts | null;
}

/** A row of the sheet as it is stored, with its outline. */
const columnsOf = (row: SheetRow) => ({ sheetRow: encodeSheetRow(row), ...outlineOf(row) });

/** The log and its caches. Statements of the hot path are prepared once. */
export function createAttemptRepository({ db }: Pick<Deps, 'db'>) {
  const key = {
    ...{ attemptId: attempts.id, assignmentId: attempts.assignmentId, studentId: attempts.studentId },
    ...{ number: attempts.number, editionId: attempts.editionId },
  };

  const ownById = db
    .select(key)
    .from(attempts)
    .where(and(eq(attempts.id, sql.placeholder('attemptId')), eq(attempts.studentId, sql.placeholder('studentId'))))
    .prepare();

  const latestOf = db
    .select(key)
    .from(attempts)
    .where(
      and(
        eq(attempts.assignmentId, sql.placeholder('assignmentId')),
        eq(attempts.studentId, sql.placeholder('studentId')),
      ),
    )
    .orderBy(desc(attempts.number))
    .limit(1)
    .prepare();

  const selectStored = () =>
    db
      .select({
        ...key,
        begunAt: attempts.begunAt,
        secret: attempts.secret,
        drawnByTime: attempts.drawnByTime,
        reducer: attempts.reducer,
        state: attemptStates.state,
      })
      .from(attempts)
      .leftJoin(attemptStates, eq(attemptStates.attemptId, attempts.id));
  const storedById = selectStored()
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
      draftOf: sql.placeholder('draftOf'),
      merged: sql.placeholder('merged'),
    })
    .prepare();

  const updateRow = db
    .update(attempts)
    .set({
      ...{ sheetRow: sql`${sql.placeholder('sheetRow')}`, reducer: reducerVersion },
      ...{ progress: sql`${sql.placeholder('progress')}`, earned: sql`${sql.placeholder('earned')}` },
      ...{ possible: sql`${sql.placeholder('possible')}`, handedInAt: sql`${sql.placeholder('handedInAt')}` },
      ...{ toMark: sql`${sql.placeholder('toMark')}`, waitingSteps: sql`${sql.placeholder('waitingSteps')}` },
      ...{ returned: sql`${sql.placeholder('returned')}`, stuckFrom: sql`${sql.placeholder('stuckFrom')}` },
    })
    .where(eq(attempts.id, sql.placeholder('attemptId')))
    .prepare();

  const putState = db
    .insert(attemptStates)
    .values({ attemptId: sql.placeholder('attemptId'), state: sql.placeholder('state') })
    .onConflictDoUpdate({ target: attemptStates.attemptId, set: { state: sql`excluded.state` } })
    .prepare();

  const draftByQuestion = db
    .select()
    .from(attemptEvents)
    .where(
      and(
        eq(attemptEvents.attemptId, sql.placeholder('attemptId')),
        eq(attemptEvents.draftOf, sql.placeholder('draftOf')),
      ),
    )
    .prepare();

  const nextNumbered = db
    .select({ n: attemptEvents.n, merged: attemptEvents.merged })
    .from(attemptEvents)
    .where(
      and(
        eq(attemptEvents.attemptId, sql.placeholder('attemptId')),
        eq(attemptEvents.sittingId, sql.placeholder('sittingId')),
        gte(attemptEvents.n, sql.placeholder('n')),
      ),
    )
    .orderBy(asc(attemptEvents.n))
    .limit(1)
    .prepare();

  const logAfter = db
    .select()
    .from(attemptEvents)
    .where(
      and(eq(attemptEvents.attemptId, sql.placeholder('attemptId')), gt(attemptEvents.seq, sql.placeholder('seq'))),
    )
    .orderBy(asc(attemptEvents.seq))
    .prepare();

  const toEvent = ({ id, sittingId, n, at, receivedAt, body, merged }: typeof attemptEvents.$inferSelect) =>
    ({ ...body, id, sittingId, n, at, receivedAt, ...(merged ? { merged } : {}) }) as AttemptEvent;

  const readLog = (attemptId: string, afterSeq = -1): AttemptEvent[] =>
    logAfter.all({ attemptId, seq: afterSeq }).map(toEvent);

  return {
    findOwn: (studentId: string, attemptId: string) => ownById.get({ studentId, attemptId }),

    /** The attempt a student begun last. */
    findLatest: (assignmentId: string, studentId: string): AttemptKey | undefined =>
      latestOf.get({ assignmentId, studentId }),

    /** All attempts at an assignment. */
    listIn: (assignmentId: string): AttemptKey[] =>
      db.select(key).from(attempts).where(eq(attempts.assignmentId, assignmentId)).all(),

    listIds: (): string[] =>
      db
        .select({ id: attempts.id })
        .from(attempts)
        .all()
        .map(({ id }) => id),

    /** Attempts whose caches an older reducer made, in the order of their ids, from behind one of them on. */
    listStale: (afterId: string, limit: number): string[] =>
      db
        .select({ id: attempts.id })
        .from(attempts)
        .where(and(gt(attempts.id, afterId), ne(attempts.reducer, reducerVersion)))
        .orderBy(asc(attempts.id))
        .limit(limit)
        .all()
        .map(({ id }) => id),

    insert(attempt: AttemptKey & Beginning & { state: AttemptState; row: SheetRow }): void {
      const { attemptId, assignmentId, studentId, number, editionId, begunAt, secret, state, row } = attempt;
      const { changes } = db
        .insert(attempts)
        .values({
          ...{ id: attemptId, assignmentId, studentId, number, editionId, begunAt, secret },
          ...{ ...columnsOf(row), reducer: reducerVersion },
        })
        .onConflictDoNothing()
        .run();
      if (changes > 0) putState.run({ attemptId, state });
    },

    /** The stored state with all it was begun with. @throws when there is no such attempt */
    getStored(attemptId: string) {
      const row = storedById.get({ attemptId });
      if (!row) throw new Error(`No attempt ${attemptId}`);
      return row;
    },

    listStored: (attemptIds: readonly string[]) =>
      selectStored()
        .where(inArray(attempts.id, [...attemptIds]))
        .all(),

    /** The events of several attempts, each from behind a place in its log on. */
    readTails(
      places: readonly (readonly [attemptId: string, afterSeq: number])[],
    ): ReadonlyMap<string, AttemptEvent[]> {
      const rows = db
        .select({ event: attemptEvents })
        .from(attemptEvents)
        .innerJoin(
          sql`json_each(${JSON.stringify(places)}) as place`,
          sql`${attemptEvents.attemptId} = place.value ->> 0 and ${attemptEvents.seq} > place.value ->> 1`,
        )
        .orderBy(asc(attemptEvents.attemptId), asc(attemptEvents.seq))
        .all();
      const tails = new Map(places.map(([attemptId]): [string, AttemptEvent[]] => [attemptId, []]));
      for (const { event } of rows) tails.get(event.attemptId)?.push(toEvent(event));
      return tails;
    },

    getRow(attemptId: string): string {
      const row = db.select({ row: attempts.sheetRow }).from(attempts).where(eq(attempts.id, attemptId)).get();
      if (!row) throw new Error(`No attempt ${attemptId}`);
      return row.row;
    },

    append(attemptId: string, seq: number, event: AttemptEvent, draftOf: string | null = null): void {
      const { id, sittingId, n, at, receivedAt, merged = null, ...body } = event;
      insertEvent.run({
        ...{ attemptId, seq, id, sittingId, n, at, receivedAt, draftOf },
        ...{ body: body as EventBody, merged },
      });
    },

    findDraft: (attemptId: string, draftOf: string): LoggedDraft | undefined =>
      draftByQuestion.get({ attemptId, draftOf }),

    /** Keeps that a draft was saved, and lets go of what it said, because a later one is kept. */
    emptyDraft(attemptId: string, seq: number): void {
      db.update(attemptEvents)
        .set({ draftOf: null, body: sql`json_remove(${attemptEvents.body}, '$.response')` })
        .where(and(eq(attemptEvents.attemptId, attemptId), eq(attemptEvents.seq, seq)))
        .run();
    },

    /** Puts a draft into the place of the one just before it: written over, it costs no more than itself. */
    replaceDraft(attemptId: string, seqBefore: number, seq: number, event: AttemptEvent): void {
      const { id, sittingId, n, at, receivedAt, merged = null, ...body } = event;
      db.update(attemptEvents)
        .set({ seq, id, sittingId, n, at, receivedAt, body: body as EventBody, merged })
        .where(and(eq(attemptEvents.attemptId, attemptId), eq(attemptEvents.seq, seqBefore)))
        .run();
    },

    /** Whether an event is in the log, also of a sitting that the state does not know any more. */
    isLogged(attemptId: string, sittingId: string, n: number): boolean {
      const next = nextNumbered.get({ attemptId, sittingId, n });
      // A draft stands for those just before it, too.
      return next !== undefined && next.n - (next.merged?.count ?? 0) <= n;
    },

    saveRow: (attemptId: string, row: SheetRow): void => {
      updateRow.run({ attemptId, ...columnsOf(row) });
    },

    saveState(attemptId: string, state: AttemptState, row: SheetRow): void {
      putState.run({ attemptId, state });
      updateRow.run({ attemptId, ...columnsOf(row) });
    },

    /** The events of an attempt in the order of the log, from behind a place in it on. */
    readLog,
  };
}
