import { type Adjustment, datesTakenBack, extendedBy, fixedTerms } from '@semita/core/assignment';
import type { Terms } from '@semita/core/attempt';
import type { AssignmentSummary, SentSheet, Sheet } from '@semita/core/contract';
import { groupBy } from '@semita/core/elements';
import { firstWords, type Lesson, stopsInOrder } from '@semita/core/lesson';
import type { SheetLine } from '@semita/core/sheet';
import { overnightSince } from '@semita/core/today';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { ClassRelations } from '../access/class-relations.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { LessonRepository } from '../lessons/lesson-repository.ts';
import type { NoticeRepository } from '../notices/notice-repository.ts';
import type { AssignedLessons, NamedAddressee } from './assigned-lessons.ts';
import type { AssignmentRepository, AssignmentRow } from './assignment-repository.ts';
import { countStudents } from './count-students.ts';
import { type LocalWindow, toWindow } from './local-window.ts';
import type { RecipientRepository } from './recipient-repository.ts';
import type { SheetRepository, StoredLine, StoredOutline } from './sheet-repository.ts';

export type AssignmentService = ReturnType<typeof createAssignmentService>;

/** An assignment as somebody follows it. */
interface Followed {
  readonly row: AssignmentRow;
  /** All classes that they follow. */
  readonly classIds: ReadonlySet<string>;
  /** Whether they teach one of those it was given to, and whether all of them. */
  readonly runs: boolean;
  readonly runsAll: boolean;
  /** To whom of these it was given. */
  readonly to: readonly NamedAddressee[];
}

/** What a teacher makes different, with dates as a form gives them. */
export type LocalAdjustment =
  | { readonly kind: 'extended'; readonly window: LocalWindow }
  | { readonly kind: 'extendedBy'; readonly days: number }
  | { readonly kind: 'datesTakenBack' }
  | { readonly kind: Exclude<Adjustment['kind'], 'extended' | 'editionSwapped'> }
  | { readonly kind: 'editionSwapped'; readonly editionNumber: number };

interface Options extends Pick<Deps, 'db' | 'clock' | 'bus'> {
  readonly repository: AssignmentRepository;
  readonly given: AssignedLessons;
  readonly recipients: RecipientRepository;
  readonly sheets: SheetRepository;
  readonly classes: ClassRepository;
  readonly lessons: LessonRepository;
  readonly relations: ClassRelations;
  readonly notices: Pick<NoticeRepository, 'add'>;
  /** Students who wrote back to what was said to an answer, and have no answer yet. */
  readonly listWroteBack: (
    assignmentIds: readonly string[],
  ) => readonly { readonly assignmentId: string; readonly studentId: string }[];
  /** Of the live channel, before anything is read. */
  readonly versionNow: () => string;
  /** Names of people, by id. */
  readonly nameOf: (userId: string) => string;
}

export function createAssignmentService(options: Options) {
  const {
    db,
    clock,
    bus,
    repository,
    given,
    recipients,
    sheets,
    classes,
    lessons,
    relations,
    notices,
    listWroteBack,
    versionNow,
    nameOf,
  } = options;

  /** @throws Refused notFound when it was given to no class that the actor follows */
  const getFollowed = (actor: Actor, assignmentId: string): Followed => {
    const row = found(repository.find(assignmentId));
    const { taught, substituted } = relations.of(actor.id);
    const classIds = new Set([...taught, ...substituted]);
    const to = addresseesIn(assignmentId, classIds);
    if (to.length === 0) throw new Refused('notFound');
    const isTaught = ({ classId }: NamedAddressee) => taught.has(classId);
    const all = [...given.givenOf(assignmentId).addressees.values()];
    return { row, classIds, to, runs: to.some(isTaught), runsAll: all.every(isTaught) };
  };

  /** @throws Refused givenToOthers where it reaches a class that the actor does not teach: what they do would be done to it */
  const assertOwnAlone = (actor: Actor, assignmentId: string): void => {
    if (!getFollowed(actor, assignmentId).runsAll) throw new Refused('givenToOthers');
  };

  /** Those it was given to in some classes, the first first. */
  const addresseesIn = (assignmentId: string, classIds: ReadonlySet<string>): NamedAddressee[] =>
    [...given.givenOf(assignmentId).addressees.values()].filter(({ classId }) => classIds.has(classId));

  const summarize = (
    { id, timeZone, takenBackAt, createdAt }: AssignmentRow,
    title: string,
    to: readonly NamedAddressee[],
    students: readonly StoredOutline[],
    wroteBack: ReturnType<typeof listWroteBack> | null,
  ): AssignmentSummary => {
    const { addressees, terms } = given.givenOf(id);
    const isGuest = (student: StoredOutline) => addressees.get(student.terms.addresseeId)?.kind === 'guests';
    const isHere = (student: StoredOutline) => student.terms.leftAt === null && !isGuest(student);
    const counts = countStudents(students, {
      ...{ isGuest, isExtra: terms.isExtra, isTakenBack: takenBackAt !== null },
      ...{ now: clock(), since: overnight(timeZone) },
    });
    const addressed = withDates(to);
    const [first] = addressed;
    return {
      ...{
        id,
        title,
        classId: first?.classId ?? '',
        className: addressed.map(({ name }) => name).join(', '),
        timeZone,
      },
      ...{ opensAt: first?.opensAt ?? null, dueAt: first?.dueAt ?? null, closesAt: first?.closesAt ?? null },
      to: addressed,
      series: seriesOf(id),
      givenAt: createdAt,
      takenBackAt,
      ...counts,
      ...(wroteBack === null
        ? {}
        : {
            wroteBackCount: wroteBack.filter(({ studentId }) =>
              students.some((one) => one.studentId === studentId && isHere(one)),
            ).length,
          }),
    };
  };

  /** A school has a few clocks, and a history hundreds of assignments: each clock is asked once a minute. */
  let asked = { minute: 0, byZone: new Map<string, number>() };
  const overnight = (timeZone: string): number => {
    const minute = Math.floor(clock() / 60_000);
    if (asked.minute !== minute) asked = { minute, byZone: new Map() };
    const known = asked.byZone.get(timeZone) ?? overnightSince(clock(), timeZone);
    asked.byZone.set(timeZone, known);
    return known;
  };

  const seriesOf = (assignmentId: string): AssignmentSummary['series'] => {
    const { series } = given.givenOf(assignmentId);
    return series && { id: series.id, title: series.title };
  };

  const summarizeStored = (
    actor: Actor,
    rows: readonly AssignmentRow[],
    tellsWroteBack = false,
  ): AssignmentSummary[] => {
    const ids = rows.map(({ id }) => id);
    const followed = relations.followedBy(actor.id);
    given.preloadGiven(ids);
    const students = groupBy(sheets.listOutlines(ids, followed), ({ assignmentId }) => assignmentId);
    const figures = given.figuresOf(rows);
    const wroteBack = tellsWroteBack ? groupBy(listWroteBack(ids), ({ assignmentId }) => assignmentId) : null;
    return rows.map((row) =>
      summarize(
        row,
        figures.get(row.editionId)?.title ?? '',
        addresseesIn(row.id, followed),
        students.get(row.id) ?? [],
        wroteBack && (wroteBack.get(row.id) ?? []),
      ),
    );
  };

  const buildSheet = ({ row, classIds, to, runs }: Followed): SentSheet => {
    const version = versionNow();
    const { lesson, editionNumber, lessonId, terms } = given.getLesson(row.id);
    const students = sheets.list(row.id, classIds);
    const newest = lessons.findLatestEdition(lessonId);
    const couldHaveIt = students.filter(
      ({ terms: own, counted }) => counted === null && own.leftAt === null && own.editionId !== newest?.id,
    );
    const begunCount = students.filter(
      ({ terms: own, attempts }) =>
        own.leftAt === null && attempts.length > 0 && attempts.at(-1)?.editionId !== newest?.id,
    ).length;
    return {
      newer:
        newest && newest.number > editionNumber && couldHaveIt.length + begunCount > 0
          ? {
              ...{ editionNumber: newest.number, begunCount },
              studentIds: couldHaveIt.map(({ studentId }) => studentId),
            }
          : null,
      assignment: summarize(row, lesson.title, to, students, null),
      terms: terms as Sheet['terms'],
      runs,
      note: row.note,
      releasedAt: row.releasedAt,
      editionNumber,
      lessonId,
      stops: columnsOf(lesson),
      students: students.map(({ line }) => line),
      ...repository.findWhole(row.id),
      now: clock(),
      version,
    };
  };

  const findStudent = (actor: Actor, assignmentId: string, studentId: string): StoredLine | undefined =>
    sheets.find(assignmentId, relations.followedBy(actor.id), studentId);

  /** @returns null for a student for whom it changes nothing */
  const toAdjustment = (
    row: AssignmentRow,
    change: LocalAdjustment,
    { studentId, terms }: StoredLine,
    at: number,
    adjustmentsOf: (studentId: string) => readonly Adjustment[],
  ): Adjustment | null => {
    if (change.kind === 'datesTakenBack') return datesTakenBack(adjustmentsOf(studentId), at);
    if (change.kind === 'extendedBy') {
      const window = extendedBy(terms.window, change.days, row.timeZone, at);
      return window && { at, kind: 'extended', window };
    }
    if (change.kind === 'extended') return { at, kind: 'extended', window: toWindow(change.window, row.timeZone) };
    if (change.kind !== 'editionSwapped') return { at, kind: change.kind };
    const { lessonId } = given.getLesson(row.id);
    return { at, kind: 'editionSwapped', editionId: found(lessons.findEdition(lessonId, change.editionNumber)).id };
  };

  /** Each date once, however often it is set. */
  const tellLater = (assignmentId: string, studentId: string, { dueAt }: { readonly dueAt: number | null }): void =>
    notices.add(studentId, assignmentId, { kind: 'extended', key: `extended ${assignmentId} ${dueAt}`, about: dueAt });

  return {
    list: (actor: Actor, classId?: string): AssignmentSummary[] =>
      summarizeStored(
        actor,
        repository.listInClasses(
          classId === undefined ? classes.currentAmong(relations.followedBy(actor.id)) : [classId],
          classId !== undefined,
        ),
        classId === undefined,
      ),

    /** All that was given to classes of theirs, put away or not, also what was taken back; the newest first. */
    listHistory: (actor: Actor): AssignmentSummary[] =>
      summarizeStored(actor, repository.listInClasses([...relations.followedBy(actor.id)], true)),

    /** What is given to classes that are not put away, with its dates and nothing of its students. */
    listDates(actor: Actor) {
      const followed = relations.followedBy(actor.id);
      const rows = repository.listInClasses(classes.currentAmong(followed), false);
      given.preloadGiven(rows.map(({ id }) => id));
      const figures = given.figuresOf(rows);
      return rows.map(({ id, editionId }) => ({
        ...{ id, title: figures.get(editionId)?.title ?? '' },
        to: withDates(addresseesIn(id, followed)),
      }));
    },

    /** To whom it was given in some classes, and the dates of the first of them. */
    datesOf(assignmentId: string, classIds: ReadonlySet<string>) {
      const addressed = withDates(addresseesIn(assignmentId, classIds));
      const { opensAt = null, dueAt = null, closesAt = null } = addressed[0] ?? {};
      return { className: addressed.map(({ name }) => name).join(', '), opensAt, dueAt, closesAt };
    },

    changeWindow(
      actor: Actor,
      assignmentId: string,
      local: LocalWindow & { readonly addresseeId?: string | undefined },
    ): AssignmentSummary {
      const { row, to } = getFollowed(actor, assignmentId);
      const meant = to.filter(({ id }) => local.addresseeId === undefined || id === local.addresseeId);
      if (meant.length === 0) throw new Refused('notFound');
      const window = toWindow(local, row.timeZone);
      inTransaction(db, () => {
        for (const { id } of meant) repository.setWindow(id, window, clock());
      });
      given.forget([assignmentId]);
      bus.publish('assignmentChanged', { assignmentId });
      return summarizeStored(actor, [row])[0] as AssignmentSummary;
    },

    /** So many days more for all whom the actor follows; those without an end keep none. */
    extendAll(actor: Actor, assignmentId: string, days: number) {
      const { row, to } = getFollowed(actor, assignmentId);
      const before = withDates(to);
      const at = clock();
      const classIds = new Set(to.map(({ classId }) => classId));
      inTransaction(db, () => {
        for (const { id, windows } of to) {
          const last = windows.at(-1);
          const window = last && extendedBy(last, days, row.timeZone, at);
          if (window) repository.setWindow(id, window, at);
        }
        given.forget([assignmentId]);
        for (const { studentId, terms, counted } of sheets.listOutlines([assignmentId], classIds))
          if (terms.leftAt === null && counted?.outline.handedInAt == null)
            tellLater(assignmentId, studentId, terms.window);
      });
      given.forget([assignmentId]);
      bus.publish('assignmentChanged', { assignmentId });
      return { before, now: summarizeStored(actor, [row])[0] as AssignmentSummary };
    },

    changeNote(actor: Actor, assignmentId: string, note: string): void {
      assertOwnAlone(actor, assignmentId);
      repository.setNote(assignmentId, note);
      bus.publish('assignmentChanged', { assignmentId });
    },

    /**
     * Changes terms, for who has begun as well.
     * @throws Refused termsFixed, with which, where that would move the ground under somebody who has begun
     */
    changeTerms(actor: Actor, assignmentId: string, changed: Terms): void {
      assertOwnAlone(actor, assignmentId);
      const { terms } = given.givenOf(assignmentId);
      const fixed = fixedTerms(terms, changed, repository.mostAttempts(assignmentId));
      if (fixed.length > 0) throw new Refused('termsFixed', { terms: fixed });
      // How numbers are read marks answers, so that it stays.
      repository.setTerms(assignmentId, { ...changed, locale: terms.locale });
      given.forget([assignmentId]);
      bus.publish('assignmentChanged', { assignmentId });
    },

    /** Shows students what waits to be shown, or no longer. */
    release(actor: Actor, assignmentId: string, isReleased: boolean): void {
      assertOwnAlone(actor, assignmentId);
      inTransaction(db, () => {
        repository.setReleased(assignmentId, isReleased ? clock() : null);
        if (!isReleased) return;
        const all = new Set(given.classIdsOf(assignmentId));
        for (const { studentId, terms, counted } of sheets.listOutlines([assignmentId], all))
          if (terms.leftAt === null && counted?.outline.handedInAt != null)
            notices.add(studentId, assignmentId, { kind: 'released', key: `released ${assignmentId}`, about: null });
      });
      given.forget([assignmentId]);
      bus.publish('assignmentChanged', { assignmentId });
    },

    takeBack(actor: Actor, assignmentId: string, isTakenBack: boolean): void {
      assertOwnAlone(actor, assignmentId);
      repository.setTakenBack(assignmentId, isTakenBack ? clock() : null);
      given.forget([assignmentId]);
      bus.publish('assignmentChanged', { assignmentId });
    },

    readSheet: (actor: Actor, assignmentId: string): SentSheet => buildSheet(getFollowed(actor, assignmentId)),

    /** The lines of the sheet, with to whom it was given of those whom a teacher follows, and by which clock. */
    readLines(actor: Actor, assignmentId: string) {
      const { row, to, classIds } = getFollowed(actor, assignmentId);
      const className = to.map(({ name }) => name).join(', ');
      return { className, timeZone: row.timeZone, lines: sheets.list(assignmentId, classIds) };
    },

    /** The lines of the sheet, with the attempts that count. */
    listStudents(actor: Actor, assignmentId: string): StoredLine[] {
      const { classIds } = getFollowed(actor, assignmentId);
      return sheets.list(assignmentId, classIds);
    },

    readStudent(actor: Actor, assignmentId: string, studentId: string): StoredLine {
      return found(findStudent(actor, assignmentId, studentId));
    },

    /** One student's line for the live stream of a teacher; null for whom they do not follow. */
    findLine: (actor: Actor, assignmentId: string, studentId: string): SheetLine | null =>
      findStudent(actor, assignmentId, studentId)?.line ?? null,

    /**
     * Makes something different for some students, all of them or none.
     * @throws Refused notFound for a student whom the actor does not follow, windowOutOfOrder
     */
    adjust(
      actor: Actor,
      assignmentId: string,
      input: {
        readonly studentIds: readonly string[];
        readonly change: LocalAdjustment;
        readonly reason?: string | undefined;
      },
    ): SheetLine[] {
      const { row, classIds } = getFollowed(actor, assignmentId);
      const at = clock();
      const studentIds = [...new Set(input.studentIds)];
      /** One is looked up by itself, several with the whole sheet: never one statement for each. */
      const linesOf = (): readonly StoredLine[] => {
        const [first = '', ...more] = studentIds;
        if (more.length === 0) return [found(sheets.find(assignmentId, classIds, first))];
        const byId = new Map(sheets.list(assignmentId, classIds).map((line) => [line.studentId, line]));
        return studentIds.map((studentId) => found(byId.get(studentId)));
      };
      const adjustmentsOf = recipients.adjustmentsOf([assignmentId]);
      const made = { assignmentId, by: actor.id, reason: input.reason || null };
      const all = linesOf().flatMap((line) => {
        const change = toAdjustment(row, input.change, line, at, (id) => adjustmentsOf(assignmentId, id));
        return change ? [{ ...change, ...made, studentId: line.studentId }] : [];
      });
      inTransaction(db, () => {
        recipients.adjust(all);
        for (const one of all) if (one.kind === 'extended') tellLater(assignmentId, one.studentId, one.window);
      });
      for (const studentId of studentIds) bus.publish('recipientChanged', { assignmentId, studentId });
      return linesOf().map(({ line }) => line);
    },

    /** All that was made different for one student, the latest first. */
    listAdjustments(actor: Actor, assignmentId: string, studentId: string) {
      found(findStudent(actor, assignmentId, studentId));
      return recipients
        .listAdjustments(assignmentId, studentId)
        .map(({ id, kind, at, by, reason, opensAt, dueAt, closesAt }) => ({
          ...{ id, kind, at, by: nameOf(by), reason, opensAt, dueAt, closesAt },
        }));
    },
  };
}

/** To whom it was given, with the dates as they stand. */
const withDates = (to: readonly NamedAddressee[]): AssignmentSummary['to'] =>
  to.map(({ windows, id, kind, name, classId }) => {
    const { opensAt = null, dueAt = null, closesAt = null } = windows.at(-1) ?? {};
    return { id, kind, name, classId, opensAt, dueAt, closesAt };
  });

/** Lessons are never altered, so what heads their columns is made once. */
const knownColumns = new WeakMap<Lesson, SentSheet['stops']>();

function columnsOf(lesson: Lesson): SentSheet['stops'] {
  const known = knownColumns.get(lesson);
  if (known) return known;
  const columns = lesson.parts.flatMap((part) =>
    stopsInOrder(part.stops).map((stop) => ({
      ...{ id: stop.id, kind: stop.kind, label: firstWords(stop).slice(0, 80) },
      ...{ partTitle: part.title, practice: part.practice ?? false },
    })),
  );
  knownColumns.set(lesson, columns);
  return columns;
}
