import type { Relation, Thing } from '@semita/core/contract';
import { and, eq, sql } from 'drizzle-orm';
import {
  answerFiles,
  assignments,
  attempts,
  bankItems,
  calendarFeeds,
  classes,
  classStudents,
  invitations,
  learningTargets,
  lessons,
  materials,
  noticeSettings,
  phrases,
  termPresets,
  users,
} from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';
import { hashOf } from '../accounts/token.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { ReceivedAssignments } from '../assignments/received-assignments.ts';
import type { RecipientRepository } from '../assignments/recipient-repository.ts';
import type { ClassRelations } from './class-relations.ts';

export type Relations = ReturnType<typeof createRelations>;

interface Options extends Pick<Deps, 'db' | 'bus'> {
  readonly ofClasses: ClassRelations;
  readonly recipients: Pick<RecipientRepository, 'classIdsOf'>;
  readonly given: Pick<AssignedLessons, 'classIdsOf' | 'preloadGiven'>;
  readonly received: Pick<ReceivedAssignments, 'termsOf'>;
  /** Whether a material is shown by what was given to a student and is open to them. */
  readonly isOpenTo: (studentId: string, materialId: string) => boolean;
  readonly isPracticeOpen: (token: string) => boolean;
  /** Who is asked in a round of what came back. */
  readonly ownerOfReview: (roundId: string) => string | undefined;
}

const maxKept = 5_000;

/** How people stand to things: the one place that says so, for every thing that an address can name. */
export function createRelations({
  db,
  bus,
  ofClasses,
  recipients,
  given,
  received,
  isOpenTo,
  isPracticeOpen,
  ownerOfReview,
}: Options) {
  const ownerOf = (table: typeof lessons | typeof materials | typeof bankItems) =>
    db
      .select({ ownerId: table.ownerId, schoolId: table.schoolId })
      .from(table)
      .where(eq(table.id, sql.placeholder('id')))
      .prepare();
  const ownerOfLesson = ownerOf(lessons);
  const ownerOfMaterial = ownerOf(materials);
  const ownerOfBankItem = ownerOf(bankItems);
  const ownerOfPhrase = db
    .select({ ownerId: phrases.ownerId })
    .from(phrases)
    .where(eq(phrases.id, sql.placeholder('id')))
    .prepare();
  const ownerOfTarget = db
    .select({ ownerId: learningTargets.ownerId })
    .from(learningTargets)
    .where(eq(learningTargets.id, sql.placeholder('id')))
    .prepare();
  const feedByToken = db
    .select({ userId: calendarFeeds.userId })
    .from(calendarFeeds)
    .where(eq(calendarFeeds.tokenHash, sql.placeholder('hash')))
    .prepare();
  const settingsByStop = db
    .select({ userId: noticeSettings.userId })
    .from(noticeSettings)
    .where(eq(noticeSettings.stopToken, sql.placeholder('id')))
    .prepare();
  const ownerOfTermPreset = db
    .select({ ownerId: termPresets.ownerId })
    .from(termPresets)
    .where(eq(termPresets.id, sql.placeholder('id')))
    .prepare();
  const stepsOfSeries = db
    .select({ id: assignments.id })
    .from(assignments)
    .where(eq(assignments.seriesId, sql.placeholder('id')))
    .prepare();
  const schoolOfInvitation = db
    .select({ schoolId: invitations.schoolId })
    .from(invitations)
    .where(eq(invitations.id, sql.placeholder('id')))
    .prepare();
  const placeInClass = db
    .select({ id: classStudents.classId })
    .from(classStudents)
    .where(
      and(eq(classStudents.classId, sql.placeholder('id')), eq(classStudents.studentId, sql.placeholder('studentId'))),
    )
    .prepare();
  const schoolOf = (table: typeof classes | typeof users) =>
    db
      .select({ schoolId: table.schoolId })
      .from(table)
      .where(eq(table.id, sql.placeholder('id')))
      .prepare();
  const schoolOfClass = schoolOf(classes);
  const schoolOfPerson = schoolOf(users);
  const studentOfAttempt = db
    .select({ studentId: attempts.studentId })
    .from(attempts)
    .where(eq(attempts.id, sql.placeholder('id')))
    .prepare();
  /** Whose an attempt is hardly ever changes, and students ask with every few seconds of a walk. */
  const ownersOfAttempts = new Map<string, string>();
  bus.subscribe('attemptMoved', ({ attemptId }) => ownersOfAttempts.delete(attemptId));
  const ownerOfAttempt = (id: string): string | undefined => {
    const known = ownersOfAttempts.get(id) ?? studentOfAttempt.get({ id })?.studentId;
    if (ownersOfAttempts.size >= maxKept) ownersOfAttempts.clear();
    if (known !== undefined) ownersOfAttempts.set(id, known);
    return known;
  };
  const placeOfAnswerFile = db
    .select({ studentId: attempts.studentId, assignmentId: attempts.assignmentId })
    .from(answerFiles)
    .innerJoin(attempts, eq(attempts.id, answerFiles.attemptId))
    .where(eq(answerFiles.id, sql.placeholder('id')))
    .prepare();

  type Owned = { readonly ownerId: string; readonly schoolId?: string } | undefined;
  const toOwned = (actor: Actor, row: Owned): Relation[] => {
    if (!row) return [];
    const isColleague = row.schoolId === actor.schoolId && actor.roles.includes('teacher');
    return [...(row.ownerId === actor.id ? (['owns'] as const) : []), ...(isColleague ? (['colleague'] as const) : [])];
  };

  const toClasses = (actor: Actor, classIds: readonly string[]): Relation[] => {
    if (!actor.roles.includes('teacher')) return [];
    const { taught, substituted } = ofClasses.of(actor.id);
    const isIn = (ids: ReadonlySet<string>) => classIds.some((id) => ids.has(id));
    return [...(isIn(taught) ? (['teaches'] as const) : []), ...(isIn(substituted) ? (['substitutes'] as const) : [])];
  };

  const relationsTo: Readonly<Record<Thing, (actor: Actor, id: string) => readonly Relation[]>> = {
    class: (actor, id) => [
      ...toClasses(actor, [id]),
      ...(actor.roles.includes('student') && placeInClass.get({ id, studentId: actor.id })
        ? (['attends'] as const)
        : []),
      ...(actor.roles.includes('admin') && schoolOfClass.get({ id })?.schoolId === actor.schoolId
        ? (['looksAfter'] as const)
        : []),
    ],
    person: (actor, id) =>
      actor.roles.includes('admin') && schoolOfPerson.get({ id })?.schoolId === actor.schoolId ? ['looksAfter'] : [],
    lesson: (actor, id) => toOwned(actor, ownerOfLesson.get({ id })),
    material: (actor, id) => {
      const row = ownerOfMaterial.get({ id });
      const relations = toOwned(actor, row);
      if (relations.length > 0 || row?.schoolId !== actor.schoolId) return relations;
      return isOpenTo(actor.id, id) ? ['receives'] : [];
    },
    assignment: (actor, id) => {
      const own = actor.roles.includes('student') ? received.termsOf(actor.id, id) : undefined;
      return [
        ...toClasses(actor, given.classIdsOf(id)),
        ...(own ? [own.leftAt === null ? ('receives' as const) : ('left' as const)] : []),
      ];
    },
    series: (actor, id) => {
      const ids = stepsOfSeries.all({ id }).map((step) => step.id);
      given.preloadGiven(ids);
      return toClasses(actor, ids.flatMap(given.classIdsOf));
    },
    attempt: (actor, id) => (ownerOfAttempt(id) === actor.id ? ['worksOn'] : []),
    answerFile: (actor, id) => {
      const place = placeOfAnswerFile.get({ id });
      if (!place) return [];
      const { assignmentId, studentId } = place;
      return [
        ...(studentId === actor.id ? (['worksOn'] as const) : []),
        ...toClasses(actor, recipients.classIdsOf(assignmentId, studentId)),
      ];
    },
    bankItem: (actor, id) => toOwned(actor, ownerOfBankItem.get({ id })),
    // What of a list is another's, or gone, is left out of what is written.
    bankItems: (actor, ids) => ids.split(',').flatMap((id) => toOwned(actor, ownerOfBankItem.get({ id }))),
    invitation: (actor, id) =>
      actor.roles.includes('admin') && schoolOfInvitation.get({ id })?.schoolId === actor.schoolId
        ? ['looksAfter']
        : [],
    calendarFeed: (_actor, token) => (feedByToken.get({ hash: hashOf(token) }) ? ['holdsLink'] : []),
    mailStop: (_actor, id) => (settingsByStop.get({ id }) ? ['holdsLink'] : []),
    reviewRound: (actor, id) => (ownerOfReview(id) === actor.id ? ['worksOn'] : []),
    practiceLink: (_actor, token) => (isPracticeOpen(token) ? ['holdsLink'] : []),
    termPreset: (actor, id) => toOwned(actor, ownerOfTermPreset.get({ id })),
    phrase: (actor, id) => toOwned(actor, ownerOfPhrase.get({ id })),
    learningTarget: (actor, id) => toOwned(actor, ownerOfTarget.get({ id })),
  };
  return relationsTo;
}
