import { groupBy } from '@semita/core/elements';
import { mayMail } from '@semita/core/notice';
import { and, eq, gt, inArray, isNotNull, isNull, lt, ne, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { assignments, editionSummaries, mails, noticeSettings, notices, schools, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { MailSender } from './mail-sender.ts';
import { writeNotices } from './mail-words.ts';

const keptMs = 7 * 24 * 3_600_000;
/** Older than this, nobody wants it by mail any more: they have seen it, or it is over. */
const mailedWithinMs = 2 * 24 * 3_600_000;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId' | 'log'> {
  readonly sender: MailSender;
  /** Where this installation is reached, `https://semita.example`. */
  readonly publicUrl: string;
}

/** Puts what waits into mails, and hands these over. */
export function createNoticeMail({ db, clock, newId, log, sender, publicUrl }: Options) {
  const collect = (): void => {
    const now = clock();
    const waiting = db
      .select({
        notice: notices,
        settings: noticeSettings,
        school: { name: schools.name, timeZone: schools.timeZone, from: schools.quietFrom, until: schools.quietUntil },
        timeZone: assignments.timeZone,
        title: sql<string>`coalesce(${editionSummaries.title}, '')`,
      })
      .from(notices)
      .innerJoin(noticeSettings, eq(noticeSettings.userId, notices.userId))
      .innerJoin(users, eq(users.id, notices.userId))
      .innerJoin(schools, eq(schools.id, users.schoolId))
      .innerJoin(assignments, eq(assignments.id, notices.assignmentId))
      .leftJoin(editionSummaries, eq(editionSummaries.editionId, assignments.editionId))
      .where(
        and(
          isNull(notices.mailedAt),
          // What was read in the meantime needs no mail.
          isNull(notices.readAt),
          isNull(users.deactivatedAt),
          isNotNull(noticeSettings.confirmedAt),
          ne(noticeSettings.mail, 'none'),
          gt(notices.createdAt, now - mailedWithinMs),
        ),
      )
      .orderBy(notices.createdAt)
      .all();
    for (const [userId, rows] of groupBy(waiting, ({ notice }) => notice.userId)) {
      const { settings, school } = rows[0] as (typeof waiting)[0];
      const { mail, address, stopToken, lastMailAt } = settings;
      const quiet = { from: school.from, until: school.until };
      if (address === null || !mayMail(mail, { now, lastMailAt, quiet, timeZone: school.timeZone })) continue;
      const stopUrl = `${publicUrl}/mail-off#${stopToken}`;
      inTransaction(db, () => {
        // Whoever was first has taken some: another process may be at it, by a clock of its own.
        const taken = new Set(
          db
            .update(notices)
            .set({ mailedAt: now })
            .where(
              and(
                inArray(
                  notices.id,
                  rows.map(({ notice }) => notice.id),
                ),
                isNull(notices.mailedAt),
              ),
            )
            .returning({ id: notices.id })
            .all()
            .map(({ id }) => id),
        );
        if (taken.size === 0) return;
        const lines = rows
          .filter(({ notice }) => taken.has(notice.id))
          .map(({ notice: { kind, about, assignmentId }, title, timeZone }) => ({
            ...{ kind, about, title, timeZone, url: `${publicUrl}/walk/${assignmentId}` },
          }));
        db.update(noticeSettings).set({ lastMailAt: now }).where(eq(noticeSettings.userId, userId)).run();
        db.insert(mails)
          .values({
            ...{ id: newId(), userId, address, createdAt: now, stopUrl: `${publicUrl}/api/notices/stop/${stopToken}` },
            ...writeNotices(lines, { schoolName: school.name, stopUrl }),
          })
          .run();
      });
    }
  };

  const sendAll = async (): Promise<void> => {
    const now = clock();
    db.delete(mails)
      .where(lt(mails.createdAt, now - keptMs))
      .run();
    for (const { id } of db.select({ id: mails.id }).from(mails).where(isNull(mails.takenAt)).all()) {
      const taken = db
        .update(mails)
        .set({ takenAt: now })
        .where(and(eq(mails.id, id), isNull(mails.takenAt)))
        .returning()
        .get();
      if (!taken) continue;
      try {
        await sender.send(taken);
        db.update(mails).set({ sentAt: clock() }).where(eq(mails.id, id)).run();
      } catch (error) {
        const code = (error as { code?: unknown }).code;
        const told = typeof code === 'string' ? code : 'failed';
        log.error({ code: told }, 'mail not sent');
        db.update(mails).set({ error: told }).where(eq(mails.id, id)).run();
      }
    }
  };

  return { collect, sendAll };
}
