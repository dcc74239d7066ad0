import { seriesProgress } from '@semita/core/assignment';
import type { Series, SeriesCell } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { inArray, notInArray, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { assignments as assignmentRows, series, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { ClassRelations } from '../access/class-relations.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from './assigned-lessons.ts';
import type { AssignmentRepository } from './assignment-repository.ts';
import type { AssignmentService } from './assignment-service.ts';
import type { SeriesGate } from './series-gate.ts';
import type { SheetRepository, StoredOutline } from './sheet-repository.ts';

export type SeriesService = ReturnType<typeof createSeriesService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'bus'> {
  readonly repository: AssignmentRepository;
  readonly given: AssignedLessons;
  readonly sheets: Pick<SheetRepository, 'listOutlines'>;
  readonly seriesGate: SeriesGate;
  readonly assignments: Pick<AssignmentService, 'datesOf'>;
  readonly relations: Pick<ClassRelations, 'followedBy' | 'taughtBy'>;
}

/** A series as its teachers follow it. */
export function createSeriesService(options: Options) {
  const { db, clock, bus, repository, given, sheets, seriesGate, assignments, relations } = options;

  const names = db
    .select({ id: users.id, displayName: users.displayName })
    .from(users)
    .where(inArray(users.id, sql`(select value from json_each(${sql.placeholder('ids')}))`))
    .prepare();
  const namesOf = (ids: readonly string[]): ReadonlyMap<string, string> =>
    new Map(names.all({ ids: JSON.stringify(ids) }).map(({ id, displayName }) => [id, displayName]));

  /** Whether none of them reaches a class that the actor does not teach. */
  const runsAll = (actor: Actor, assignmentIds: readonly string[]): boolean => {
    const taught = relations.taughtBy(actor.id);
    const addressees = assignmentIds.flatMap((id) => [...given.givenOf(id).addressees.values()]);
    return addressees.every(({ classId }) => taught.has(classId));
  };

  const cellOf = (own: ReadonlyMap<string, StoredOutline>, assignmentId: string): SeriesCell => {
    const stored = own.get(assignmentId);
    if (!stored || stored.terms.leftAt !== null) return null;
    const { progress = 0, earned = 0, possible = 0, toMark = 0, handedInAt = null } = stored.counted?.outline ?? {};
    return {
      ...{ begun: stored.attempts.length > 0, excused: stored.terms.excused, handedInAt },
      dueAt: stored.terms.window.dueAt,
      ...{ progress, possible, toMark, earned: stored.result?.earned ?? earned },
      waits: seriesGate.firstToDo(own, assignmentId) !== null,
    };
  };

  return {
    read(actor: Actor, seriesId: string): Series {
      const followed = relations.followedBy(actor.id);
      const all = repository.listSteps(seriesId);
      const { id: anyId } = found(all[0]);
      const rows = all.filter(({ takenBackAt }) => takenBackAt === null);
      const ids = rows.map((row) => row.id);
      given.preloadGiven([anyId, ...ids]);
      const { title = '' } = given.givenOf(anyId).series ?? {};
      const figures = given.figuresOf(rows);
      const outlines = sheets.listOutlines(ids, followed).filter(({ terms }) => terms.leftAt === null);
      const nameOf = namesOf(outlines.map(({ studentId }) => studentId));
      const students = [...groupBy(outlines, ({ studentId }) => studentId)].map(([studentId, all]) => {
        const own = new Map(all.map((one) => [one.assignmentId, one]));
        const progress = seriesProgress(seriesGate.stepsAmong(seriesId, own), seriesGate.standingIn(own));
        return {
          ...{ studentId, displayName: nameOf.get(studentId) ?? '', ...progress },
          cells: ids.map((assignmentId) => cellOf(own, assignmentId)),
        };
      });
      return {
        ...{ id: seriesId, title, timeZone: rows[0]?.timeZone ?? 'UTC', now: clock() },
        runs: runsAll(actor, ids),
        steps: rows.map((row) => ({
          ...{ assignmentId: row.id, title: figures.get(row.editionId)?.title ?? '', afterPercent: row.afterPercent },
          isExtra: given.givenOf(row.id).terms.isExtra ?? false,
          ...assignments.datesOf(row.id, followed),
        })),
        students: students.toSorted((a, b) => a.displayName.localeCompare(b.displayName)),
      };
    },

    /**
     * Calls it otherwise, puts its steps in another order, or lets them wait for other things. What is begun stays open.
     * @throws Refused givenToOthers; inputInvalid when the steps are not those that it has
     */
    change(
      actor: Actor,
      seriesId: string,
      {
        title,
        steps,
      }: {
        readonly title: string;
        readonly steps: readonly { readonly assignmentId: string; readonly afterPercent: number | null }[];
      },
    ): void {
      const rows = repository.listSteps(seriesId);
      const current = rows.filter(({ takenBackAt }) => takenBackAt === null).map((row) => row.id);
      const named = new Set(steps.map(({ assignmentId }) => assignmentId));
      const areThose = named.size === steps.length && steps.length === current.length;
      if (!areThose || !current.every((id) => named.has(id))) throw new Refused('inputInvalid', { fields: ['steps'] });
      given.preloadGiven(current);
      if (!runsAll(actor, current)) throw new Refused('givenToOthers');
      inTransaction(db, () => {
        repository.changeSeries(seriesId, title);
        for (const [seriesPlace, { assignmentId, afterPercent }] of steps.entries())
          repository.placeInSeries(assignmentId, { seriesPlace, afterPercent });
        // What was taken back stands behind, should it come back.
        for (const [index, row] of rows.filter(({ takenBackAt }) => takenBackAt !== null).entries())
          repository.placeInSeries(row.id, { seriesPlace: steps.length + index, afterPercent: row.afterPercent });
      });
      given.forget(rows.map((row) => row.id));
      for (const id of current) bus.publish('assignmentChanged', { assignmentId: id });
    },

    /** Series of which no step is left. */
    clearEmpty(): void {
      const inUse = db
        .selectDistinct({ id: assignmentRows.seriesId })
        .from(assignmentRows)
        .where(sql`${assignmentRows.seriesId} is not null`);
      db.delete(series).where(notInArray(series.id, inUse)).run();
    },
  };
}
