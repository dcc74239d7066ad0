import {
  type Addressee,
  type AddresseeKind,
  type EffectiveTerms,
  effectiveTerms,
  type GivenAssignment,
  type StudentRecord,
  windowsOverTime,
} from '@semita/core/assignment';
import type { Terms } from '@semita/core/attempt';
import { groupBy } from '@semita/core/elements';
import { type Lesson, lessonLengths } from '@semita/core/lesson';
import { createContext } from '@semita/core/own-lesson';
import { pathFigures } from '@semita/core/path';
import type { WalkContext } from '@semita/core/walk';
import { asc, eq, inArray, sql } from 'drizzle-orm';
import {
  addressees,
  addresseeWindows,
  assignments,
  classes,
  editionSummaries,
  editions,
  groups,
  keyChanges,
  series,
  users,
} from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { RecipientRepository } from './recipient-repository.ts';

export type AssignedLessons = ReturnType<typeof createAssignedLessons>;

/** A frozen lesson as it was given, with its keys as they stand, and what attempts at it are walked against. */
export interface AssignedLesson {
  readonly lessonId: string;
  readonly editionNumber: number;
  readonly lesson: Lesson;
  readonly terms: Terms;
  /** Without the windows, which are each student's own. */
  readonly context: WalkContext;
}

/** An addressee, and what it is called. */
export interface NamedAddressee extends Addressee {
  readonly classId: string;
  readonly className: string;
  /** The class was put away. */
  readonly isPutAway: boolean;
  readonly groupId: string | null;
  readonly studentId: string | null;
  readonly name: string;
}

/** What an assignment is for everybody. */
export interface Given extends GivenAssignment {
  readonly terms: Terms;
  /** From then on it is for every student as if they had left; null while it is given. */
  readonly takenBackAt: number | null;
  /** When what waits to be shown was released for all; null while it waits. */
  readonly releasedAt: number | null;
  readonly addressees: ReadonlyMap<string, NamedAddressee>;
  /** The series of which it is a step; null for what stands by itself. */
  readonly series: GivenInSeries | null;
}

export interface GivenInSeries {
  readonly id: string;
  readonly title: string;
  readonly place: number;
  readonly afterPercent: number | null;
}

/** What says which lesson an attempt walks, and whose it is. */
export interface WalkedBy {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly editionId: string;
}

/** What lists say of a lesson that was given. */
export type EditionFigures = Omit<typeof editionSummaries.$inferSelect, 'editionId'>;

/** Lessons, and what assignments are for everybody, stay in memory, up to so many. */
const maxLessonsKept = 200;
const maxGivenKept = 5_000;

/** A key that is put right changes none of these: it shows and is worth the same. */
const figuresOfLesson = (lesson: Lesson): EditionFigures => ({
  title: lesson.title,
  stopCount: lesson.parts.reduce((sum, { stops }) => sum + stops.length, 0),
  ...lessonLengths(lesson.parts),
  // Of who has not begun; practice counts for nothing.
  possible: pathFigures(lesson)?.points.max ?? 0,
});

/** What was given: lessons as attempts walk them, and what holds for whom. */
export function createAssignedLessons({ db, recipients }: Pick<Deps, 'db'> & { recipients: RecipientRepository }) {
  // Editions never change; only terms that are changed and a key that is put right change this, or a newer edition of a
  // lesson that it shows, as long as nobody has begun.
  const lessons = new Map<string, AssignedLesson>();
  const given = new Map<string, Given>();
  const keyOf = (assignmentId: string, editionId: string) => `${assignmentId} ${editionId}`;

  const summaries = db
    .select()
    .from(editionSummaries)
    .where(inArray(editionSummaries.editionId, sql`(select value from json_each(${sql.placeholder('editionIds')}))`))
    .prepare();

  const loadGiven = (assignmentIds: readonly string[]): void => {
    const rows = db
      .select({
        ...{ id: assignments.id, editionId: assignments.editionId, terms: assignments.terms },
        ...{ takenBackAt: assignments.takenBackAt, releasedAt: assignments.releasedAt },
        series: {
          ...{ id: series.id, title: series.title },
          ...{ place: assignments.seriesPlace, afterPercent: assignments.afterPercent },
        },
      })
      .from(assignments)
      .leftJoin(series, eq(series.id, assignments.seriesId))
      .where(inArray(assignments.id, [...assignmentIds]))
      .all();
    const to = groupBy(
      db
        .select({
          ...{ id: addressees.id, assignmentId: addressees.assignmentId, kind: addressees.kind },
          ...{ classId: addressees.classId, className: classes.name, groupId: addressees.groupId },
          isPutAway: sql`${classes.archivedAt} is not null`.mapWith(Boolean),
          ...{ studentId: addressees.studentId, groupName: groups.name, studentName: users.displayName },
        })
        .from(addressees)
        .innerJoin(classes, eq(classes.id, addressees.classId))
        .leftJoin(groups, eq(groups.id, addressees.groupId))
        .leftJoin(users, eq(users.id, addressees.studentId))
        .where(inArray(addressees.assignmentId, [...assignmentIds]))
        .orderBy(asc(addressees.createdAt), asc(addressees.id))
        .all(),
      ({ assignmentId }) => assignmentId,
    );
    const windows = groupBy(
      db
        .select({ window: addresseeWindows })
        .from(addresseeWindows)
        .innerJoin(addressees, eq(addressees.id, addresseeWindows.addresseeId))
        .where(inArray(addressees.assignmentId, [...assignmentIds]))
        .orderBy(asc(addresseeWindows.at))
        .all()
        .map(({ window }) => window),
      ({ addresseeId }) => addresseeId,
    );
    if (given.size + rows.length > maxGivenKept) given.clear();
    for (const { id, editionId, terms, takenBackAt, releasedAt, series: step } of rows) {
      const named = (to.get(id) ?? []).map(({ groupName, studentName, assignmentId: _, ...one }): NamedAddressee => {
        const name = nameOf(one.kind, { className: one.className, groupName, studentName });
        return { ...one, name, windows: windows.get(one.id) ?? [] };
      });
      const byId = new Map(named.map((one) => [one.id, one]));
      const { id: seriesId, title = null, place, afterPercent } = step;
      const inSeries = seriesId === null ? null : { id: seriesId, title: title ?? '', place: place ?? 0, afterPercent };
      given.set(id, { editionId, terms, takenBackAt, releasedAt, addressees: byId, series: inSeries });
    }
  };

  const preloadGiven = (assignmentIds: readonly string[]): void => {
    const missing = assignmentIds.filter((id) => !given.has(id));
    if (missing.length > 0) loadGiven(missing);
  };

  /** @throws when there is no such assignment */
  const givenOf = (assignmentId: string): Given => {
    // Asked with every request of a student.
    const known = given.get(assignmentId);
    if (known) return known;
    loadGiven([assignmentId]);
    const loaded = given.get(assignmentId);
    if (!loaded) throw new Error(`No assignment ${assignmentId}`);
    return loaded;
  };

  const loadLessons = (wanted: readonly Omit<WalkedBy, 'studentId'>[]): void => {
    const rows = new Map(
      db
        .select()
        .from(editions)
        .where(inArray(editions.id, [...new Set(wanted.map(({ editionId }) => editionId))]))
        .all()
        .map((edition) => [edition.id, edition]),
    );
    const changes = groupBy(
      db
        .select({ assignmentId: keyChanges.assignmentId, question: keyChanges.question, at: keyChanges.at })
        .from(keyChanges)
        .where(inArray(keyChanges.assignmentId, [...new Set(wanted.map(({ assignmentId }) => assignmentId))]))
        .orderBy(asc(keyChanges.at))
        .all(),
      ({ assignmentId }) => assignmentId,
    );
    if (lessons.size + wanted.length > maxLessonsKept) lessons.clear();
    for (const { assignmentId, editionId } of wanted) {
      const edition = rows.get(editionId);
      if (!edition) continue;
      const { terms } = givenOf(assignmentId);
      const changed = (changes.get(assignmentId) ?? []).map(({ question, at }) => ({ question, at }));
      const context = createContext(edition.content, terms, changed);
      lessons.set(keyOf(assignmentId, editionId), {
        ...{ lessonId: edition.lessonId, editionNumber: edition.number, terms },
        lesson: context.lesson,
        context,
      });
    }
  };

  /** Reads what is not yet known of several, all at once. */
  const preload = (wanted: readonly Omit<WalkedBy, 'studentId'>[]): void => {
    preloadGiven(wanted.map(({ assignmentId }) => assignmentId));
    const missing = wanted.filter(({ assignmentId, editionId }) => !lessons.has(keyOf(assignmentId, editionId)));
    if (missing.length > 0) loadLessons(missing);
  };

  /**
   * The lesson of an assignment, as everybody gets it or in the edition of an attempt.
   * @throws when there is no such assignment
   */
  const getLesson = (assignmentId: string, editionId = givenOf(assignmentId).editionId): AssignedLesson => {
    const key = keyOf(assignmentId, editionId);
    const known = lessons.get(key);
    if (known) return known;
    loadLessons([{ assignmentId, editionId }]);
    const loaded = lessons.get(key);
    if (!loaded) throw new Error(`No edition behind assignment ${assignmentId}`);
    return loaded;
  };

  return {
    givenOf,
    preloadGiven,
    preload,
    getLesson,

    /** Classes to which an assignment was given, or to groups or students of which; none of one that there is not. */
    classIdsOf(assignmentId: string): string[] {
      preloadGiven([assignmentId]);
      return [...(given.get(assignmentId)?.addressees.values() ?? [])].map(({ classId }) => classId);
    },

    /** What holds for a student at a moment. @throws RangeError when they never received it */
    termsOf(assignmentId: string, record: StudentRecord, at: number): EffectiveTerms {
      const assignment = givenOf(assignmentId);
      const terms = effectiveTerms(assignment, record, at);
      const { takenBackAt } = assignment;
      if (takenBackAt === null || terms.leftAt !== null) return terms;
      return { ...terms, leftAt: takenBackAt, window: { ...terms.window, closesAt: takenBackAt - 1 } };
    },

    /** What an attempt is walked against, with the windows of its student. */
    contextOf({ assignmentId, studentId, editionId }: WalkedBy): WalkContext {
      const { context } = getLesson(assignmentId, editionId);
      const record = recipients.find(assignmentId, studentId);
      return record ? { ...context, windowAt: windowsOverTime(givenOf(assignmentId), record) } : context;
    },

    /** What lists say of editions that were given, by the edition. */
    figuresOf(
      wanted: readonly { readonly id: string; readonly editionId: string }[],
    ): ReadonlyMap<string, EditionFigures> {
      const assignmentOf = new Map(wanted.map(({ id, editionId }) => [editionId, id]));
      const rows = summaries.all({ editionIds: JSON.stringify([...assignmentOf.keys()]) });
      const known = new Map(rows.map(({ editionId, ...figures }) => [editionId, figures]));
      for (const [editionId, assignmentId] of assignmentOf) {
        if (known.has(editionId)) continue;
        const figures = figuresOfLesson(getLesson(assignmentId, editionId).lesson);
        db.insert(editionSummaries)
          .values({ editionId, ...figures })
          .onConflictDoNothing()
          .run();
        known.set(editionId, figures);
      }
      return known;
    },

    addKeyChange(change: typeof keyChanges.$inferInsert): void {
      db.insert(keyChanges).values(change).run();
      lessons.clear();
    },

    /** Forgets what is kept of assignments that are others now. */
    forget(assignmentIds: readonly string[]): void {
      for (const id of assignmentIds) given.delete(id);
      lessons.clear();
    },

    /** Forgets all that is kept: somebody is called otherwise. */
    forgetAll(): void {
      given.clear();
    },

    /** Forgets what was given to a class, its groups and its students: they are called otherwise, or it was put away. */
    forgetClass(classId: string): void {
      for (const [id, { addressees }] of given)
        if ([...addressees.values()].some((one) => one.classId === classId)) given.delete(id);
    },
  };
}

interface Names {
  readonly className: string;
  readonly groupName: string | null;
  readonly studentName: string | null;
}

function nameOf(kind: AddresseeKind, { className, groupName, studentName }: Names): string {
  if (kind === 'group') return `${className}, ${groupName}`;
  if (kind === 'guests') return 'Guests';
  return kind === 'student' ? (studentName ?? '') : className;
}
