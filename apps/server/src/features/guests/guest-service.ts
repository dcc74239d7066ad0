import type { GuestLink, HeldGuestLink } from '@semita/core/contract';
import { and, asc, count, desc, eq } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import {
  adjustments,
  attempts,
  guestLinks,
  hiddenPosts,
  recipients,
  schools,
  threadReplies,
  users,
} from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { ClassRelations } from '../access/class-relations.ts';
import type { AccountRepository } from '../accounts/account-repository.ts';
import type { GuessingGuard } from '../accounts/guessing-guard.ts';
import type { SecurityLog } from '../accounts/security-log.ts';
import type { Actor } from '../accounts/session-service.ts';
import { newToken } from '../accounts/token.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { RecipientRepository } from '../assignments/recipient-repository.ts';
import type { AttemptStates } from '../attempts/attempt-states.ts';
import type { EventIntake } from '../attempts/event-intake.ts';

export type GuestService = ReturnType<typeof createGuestService>;

interface Options extends Pick<Deps, 'db' | 'bus' | 'clock'> {
  readonly accounts: Pick<AccountRepository, 'add'>;
  readonly assignments: Pick<AssignmentService, 'readStudent'>;
  readonly repository: Pick<AssignmentRepository, 'find' | 'addAddressee' | 'setWindow'>;
  readonly recipients: Pick<RecipientRepository, 'reachOne' | 'forget'>;
  readonly given: AssignedLessons;
  readonly relations: ClassRelations;
  readonly states: Pick<AttemptStates, 'forget'>;
  readonly intake: Pick<EventIntake, 'takeAllNow'>;
  readonly guess: GuessingGuard;
  readonly security: SecurityLog;
  readonly erase: (studentId: string) => Promise<void>;
}

/** More than come by one link who mean it. */
const maxGuests = 500;
/** Says so wherever the name stands: nobody is taken for a teacher or a student by a name they made up. */
const markOfGuests = ' (guest)';

/** Whoever comes by a link that is open to anyone, with no more than a name. */
export function createGuestService(options: Options) {
  const { db, bus, clock, accounts, assignments, repository, recipients: records, given, relations } = options;
  const { states, intake, guess, security, erase } = options;

  const linkOf = (assignmentId: string) =>
    db.select().from(guestLinks).where(eq(guestLinks.assignmentId, assignmentId)).get();
  const shown = (assignmentId: string): GuestLink => {
    const link = linkOf(assignmentId);
    return { token: link?.token ?? null, isOpen: link?.isOpen ?? false };
  };

  /** @throws Refused codeUnknown, the same for one that never was and one that was renewed; codeOff */
  const findOpen = (token: string) => {
    const link = db.select().from(guestLinks).where(eq(guestLinks.token, token)).get();
    if (!link) throw new Refused('codeUnknown');
    const row = found(repository.find(link.assignmentId));
    const isPutAway = given.givenOf(row.id).addressees.get(link.addresseeId)?.isPutAway ?? true;
    if (!link.isOpen || row.takenBackAt !== null || isPutAway) throw new Refused('codeOff');
    return { link, row };
  };

  /** @throws Refused notFound for whom is no guest of this assignment, or nobody the actor follows */
  const getGuest = (actor: Actor, assignmentId: string, guestId: string): void => {
    const { line } = assignments.readStudent(actor, assignmentId, guestId);
    if (!line.isGuest) throw new Refused('notFound');
  };

  return {
    readLink: (assignmentId: string): GuestLink => shown(assignmentId),

    /** Opens the link of an assignment, closes it, or makes a new one in its place; guests who are there stay. */
    setLink(actor: Actor, assignmentId: string, { isOpen, isNew }: { isOpen: boolean; isNew: boolean }): GuestLink {
      const before = linkOf(assignmentId);
      inTransaction(db, () => {
        if (before) {
          db.update(guestLinks)
            .set({ isOpen, ...(isNew ? { token: newToken() } : {}) })
            .where(eq(guestLinks.assignmentId, assignmentId))
            .run();
          return;
        }
        const taught = relations.taughtBy(actor.id);
        const host = found(
          [...given.givenOf(assignmentId).addressees.values()].find(({ classId }) => taught.has(classId)),
        );
        const at = clock();
        const to = { kind: 'guests', classId: host.classId, groupId: null, studentId: null } as const;
        const addresseeId = repository.addAddressee(assignmentId, to, at);
        // Guests have the dates of the class they come to, until they get their own.
        const { opensAt = null, dueAt = null, closesAt = null } = host.windows.at(-1) ?? {};
        repository.setWindow(addresseeId, { opensAt, dueAt, closesAt }, 0);
        db.insert(guestLinks).values({ assignmentId, addresseeId, token: newToken(), isOpen }).run();
      });
      given.forget([assignmentId]);
      bus.publish('assignmentChanged', { assignmentId });
      return shown(assignmentId);
    },

    /** What somebody who has the link is shown: never who else came. */
    look: (token: string, address: string): Promise<HeldGuestLink> =>
      guess(address, () => {
        const { row } = findOpen(token);
        const { title = '' } = given.figuresOf([row]).get(row.editionId) ?? {};
        const { name: schoolName } = found(db.select().from(schools).where(eq(schools.id, row.schoolId)).get());
        const teacher = found(db.select().from(users).where(eq(users.id, row.createdBy)).get());
        return { title, schoolName, teacherName: teacher.displayName };
      }),

    /** @returns the new guest, and where they go; @throws Refused codeUnknown, codeOff, tooManyRequests, signInThrottled */
    come: (token: string, displayName: string, address: string): Promise<{ userId: string; assignmentId: string }> =>
      guess(address, () => {
        const { link, row } = findOpen(token);
        const { addresseeId, assignmentId } = link;
        const here = db
          .select({ count: count() })
          .from(recipients)
          .where(eq(recipients.addresseeId, addresseeId))
          .get();
        if ((here?.count ?? 0) >= maxGuests) throw new Refused('tooManyRequests');
        const userId = inTransaction(db, () => {
          const id = accounts.add({
            ...{ schoolId: row.schoolId, displayName: displayName + markOfGuests, passwordHash: null },
            ...{ roles: ['student'], isGuest: true },
          });
          records.reachOne(addresseeId, assignmentId, id, clock());
          return id;
        });
        security.record('joinedSchool', userId, 'guestLink');
        bus.publish('recipientChanged', { assignmentId, studentId: userId });
        return { userId, assignmentId };
      }),

    /**
     * The guest was this student: their attempts are the student's from now on, behind those that the student has handed
     * in, and the guest is gone.
     * @throws Refused notFound for whom is no guest, or no student whom the actor follows in this assignment
     */
    match(actor: Actor, assignmentId: string, guestId: string, studentId: string): void {
      getGuest(actor, assignmentId, guestId);
      const { line } = assignments.readStudent(actor, assignmentId, studentId);
      if (line.isGuest) throw new Refused('notFound');
      // As the guest's, and as they stand.
      intake.takeAllNow();
      const of = (userId: string) => and(eq(attempts.assignmentId, assignmentId), eq(attempts.studentId, userId));
      const moved = db.select().from(attempts).where(of(guestId)).orderBy(asc(attempts.number)).all();
      inTransaction(db, () => {
        const latest = db.select().from(attempts).where(of(studentId)).orderBy(desc(attempts.number)).limit(1).get();
        const most = latest?.number ?? 0;
        // What the student is in the middle of stays the latest, so that they can go on with it.
        const isUnderWay = latest !== undefined && latest.handedInAt === null;
        if (isUnderWay)
          db.update(attempts)
            .set({ number: most + moved.length })
            .where(eq(attempts.id, latest.id))
            .run();
        const first = isUnderWay ? most : most + 1;
        for (const [index, { id }] of moved.entries())
          db.update(attempts)
            .set({ studentId, number: first + index })
            .where(eq(attempts.id, id))
            .run();
        const { authorId, toStudentId } = threadReplies;
        db.update(threadReplies).set({ authorId: studentId }).where(eq(authorId, guestId)).run();
        db.update(threadReplies).set({ toStudentId: studentId }).where(eq(toStudentId, guestId)).run();
        db.delete(hiddenPosts).where(eq(hiddenPosts.studentId, guestId)).run();
        db.update(adjustments).set({ studentId }).where(eq(adjustments.studentId, guestId)).run();
        db.delete(users).where(eq(users.id, guestId)).run();
      });
      records.forget();
      for (const { id } of moved) {
        states.forget(id);
        bus.publish('attemptMoved', { attemptId: id });
      }
      bus.publish('rightsChanged', { userId: guestId });
      bus.publish('recipientChanged', { assignmentId, studentId });
      bus.publish('assignmentChanged', { assignmentId });
    },

    /** With all they did. */
    async remove(actor: Actor, assignmentId: string, guestId: string): Promise<void> {
      getGuest(actor, assignmentId, guestId);
      await erase(guestId);
      bus.publish('assignmentChanged', { assignmentId });
    },
  };
}
