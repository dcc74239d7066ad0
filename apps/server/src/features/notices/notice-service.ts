import type { NoticeList, NoticeSettings } from '@semita/core/contract';
import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { mails, noticeSettings, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor, SessionService } from '../accounts/session-service.ts';
import { hashOf, newToken } from '../accounts/token.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import { writeConfirmation } from './mail-words.ts';
import type { NoticeRepository } from './notice-repository.ts';

export type NoticeService = ReturnType<typeof createNoticeService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId'> {
  readonly repository: NoticeRepository;
  readonly given: Pick<AssignedLessons, 'figuresOf' | 'givenOf' | 'preloadGiven'>;
  readonly assignments: Pick<AssignmentService, 'listStudents'>;
  readonly sessions: Pick<SessionService, 'getMe'>;
  readonly publicUrl: string;
  /** Whether what is sent stays here, to be looked at. */
  readonly isStandIn: boolean;
}

const dayMs = 24 * 3_600_000;
/** Nobody has strangers written to by changing the address again and again. */
const maxAddressesADay = 5;

/** What students are told, and how it comes to them. */
export function createNoticeService(options: Options) {
  const { db, clock, newId, repository, given, assignments, sessions, publicUrl, isStandIn } = options;
  const settingsOf = (userId: string) =>
    db.select().from(noticeSettings).where(eq(noticeSettings.userId, userId)).get();

  const shown = (userId: string): NoticeList['settings'] => {
    const settings = settingsOf(userId);
    return {
      mail: settings?.mail ?? 'none',
      address: settings?.address ?? null,
      isConfirmed: settings?.confirmedAt != null,
    };
  };

  const assertFewAddresses = (userId: string): void => {
    // Only what asks whether an address is theirs has no way to stop it.
    const asked = and(eq(mails.userId, userId), isNull(mails.stopUrl), gt(mails.createdAt, clock() - dayMs));
    if (db.select({ id: mails.id }).from(mails).where(asked).all().length >= maxAddressesADay)
      throw new Refused('tooManyRequests');
  };

  return {
    list(actor: Actor): NoticeList {
      const rows = repository.list(actor.id);
      const ids = [...new Set(rows.map(({ assignmentId }) => assignmentId))];
      given.preloadGiven(ids);
      const editions = new Map(ids.map((id) => [id, given.givenOf(id).editionId]));
      const figures = given.figuresOf([...editions].map(([id, editionId]) => ({ id, editionId })));
      return {
        unread: repository.countUnread(actor.id),
        items: rows.map(({ id, kind, assignmentId, about, createdAt, readAt }) => ({
          ...{ id, kind, assignmentId, about, at: createdAt, isRead: readAt !== null },
          title: figures.get(editions.get(assignmentId) ?? '')?.title ?? '',
        })),
        settings: shown(actor.id),
      };
    },

    markRead: (actor: Actor, ids?: readonly string[]): void => repository.markRead(actor.id, ids),

    /** Another address is asked first whether it is theirs. @throws Refused tooManyRequests */
    changeSettings(actor: Actor, { mail, address }: NoticeSettings): void {
      const before = settingsOf(actor.id);
      const isSame = before?.address === address;
      const token = address === null || isSame ? null : newToken();
      if (token !== null) assertFewAddresses(actor.id);
      const row = {
        ...{ mail: address === null ? ('none' as const) : mail, address },
        confirmedAt: isSame ? (before?.confirmedAt ?? null) : null,
        confirmHash: token === null ? (isSame ? (before?.confirmHash ?? null) : null) : hashOf(token),
      };
      db.insert(noticeSettings)
        .values({ userId: actor.id, stopToken: newToken(), ...row })
        .onConflictDoUpdate({ target: noticeSettings.userId, set: row })
        .run();
      if (token === null || address === null) return;
      const { schoolName } = sessions.getMe(actor.id);
      const { subject, text } = writeConfirmation(schoolName, `${publicUrl}/mail-on#${token}`);
      db.insert(mails).values({ id: newId(), userId: actor.id, address, subject, text, createdAt: clock() }).run();
    },

    /** @throws Refused notFound for a link that was never given, or for an address that is another now */
    confirm(token: string): void {
      const place = eq(noticeSettings.confirmHash, hashOf(token));
      const changed = db.update(noticeSettings).set({ confirmedAt: clock(), confirmHash: null }).where(place).run();
      if (changed.changes === 0) throw new Refused('notFound');
    },

    /** One press, without signing in. @throws Refused notFound */
    stopMails(stopToken: string): void {
      const changed = db
        .update(noticeSettings)
        .set({ mail: 'none' })
        .where(eq(noticeSettings.stopToken, stopToken))
        .run();
      if (changed.changes === 0) throw new Refused('notFound');
    },

    /**
     * Reminds students of something, each once a day.
     * @throws Refused notFound for whom the actor does not follow
     */
    nudge(actor: Actor, assignmentId: string, studentIds: readonly string[]): void {
      const lines = new Map(assignments.listStudents(actor, assignmentId).map((line) => [line.studentId, line]));
      const wanted = studentIds.map((id) => found(lines.get(id)));
      const day = Math.floor(clock() / dayMs);
      inTransaction(db, () => {
        for (const { studentId, terms } of wanted) {
          if (terms.leftAt !== null || terms.excused) continue;
          const notice = { kind: 'nudged', key: `nudged ${assignmentId} ${day}`, about: terms.window.dueAt } as const;
          repository.add(studentId, assignmentId, notice);
        }
      });
    },

    /** What the stand-in holds for a school, the latest first; nothing where a real mail server is. */
    listMails({ schoolId }: Actor) {
      if (!isStandIn) return { isStandIn, mails: [] };
      const { id, address, subject, text, createdAt, sentAt } = mails;
      return {
        isStandIn,
        mails: db
          .select({ id, address, subject, text, createdAt, sentAt })
          .from(mails)
          .innerJoin(users, and(eq(users.id, mails.userId), eq(users.schoolId, schoolId)))
          .orderBy(desc(createdAt), desc(id))
          .limit(50)
          .all(),
      };
    },
  };
}
