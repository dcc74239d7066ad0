import { noticesByTime } from '@semita/core/notice';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { SeriesGate } from '../assignments/series-gate.ts';
import type { SheetRepository } from '../assignments/sheet-repository.ts';
import type { NoticeRepository } from './notice-repository.ts';

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly sheets: Pick<SheetRepository, 'listOutlines'>;
  readonly given: Pick<AssignedLessons, 'figuresOf' | 'givenOf' | 'preloadGiven'>;
  readonly seriesGate: Pick<SeriesGate, 'waiting'>;
  readonly notices: Pick<NoticeRepository, 'add'>;
}

const dayMs = 24 * 3_600_000;

/** Finds what time has brought since yesterday. It may run as often as it likes, twice at once, and after a stop. */
export function createNoticeSweep({ db, clock, sheets, given, seriesGate, notices }: Options) {
  // Only what something can have become of: all else was told, or is nobody's news.
  const near = db.$client.prepare(
    `select distinct s.id as id, c.time_zone as timeZone from assignments s join schools c on c.id = s.school_id
     where s.taken_back_at is null and s.id in (
       select a.assignment_id from addressees a join addressee_windows w on w.addressee_id = a.id
         where w.due_at between @from and @until or w.opens_at between @from and @now
       union select assignment_id from adjustments where due_at between @from and @until or opens_at between @from and @now
       union select assignment_id from recipients where since >= @from
       union select assignment_id from attempts where handed_in_at >= @from
     )`,
  );
  return (): void => {
    const now = clock();
    const rows = near.all({ now, from: now - dayMs, until: now + 2 * dayMs }) as { id: string; timeZone: string }[];
    const zones = new Map(rows.map(({ id, timeZone }) => [id, timeZone]));
    const ids = [...zones.keys()];
    given.preloadGiven(ids);
    // What a mail will call it.
    given.figuresOf(ids.map((id) => ({ id, editionId: given.givenOf(id).editionId })));
    const current = new Set(
      ids.flatMap((id) =>
        [...given.givenOf(id).addressees.values()].flatMap(({ classId, isPutAway }) => (isPutAway ? [] : [classId])),
      ),
    );
    const isWaiting = seriesGate.waiting(ids);
    inTransaction(db, () => {
      for (const { assignmentId, studentId, terms, attempts } of sheets.listOutlines(ids, current)) {
        const { hiddenUntilOpen, isExtra = false } = given.givenOf(assignmentId).terms;
        const { opensAt } = terms.window;
        const isHidden = hiddenUntilOpen === true && opensAt !== null && now < opensAt;
        if (terms.leftAt !== null || terms.excused || isHidden || isWaiting(studentId, assignmentId)) continue;
        const latest = attempts.at(-1);
        const handedInAt = latest?.outline.handedInAt ?? null;
        const waiting = {
          ...{ assignmentId, window: terms.window, since: terms.since, begun: latest !== undefined, isExtra },
          handedIn: latest && handedInAt !== null ? { attemptId: latest.attemptId, at: handedInAt } : null,
        };
        for (const notice of noticesByTime(waiting, now, zones.get(assignmentId) ?? 'UTC'))
          notices.add(studentId, assignmentId, notice);
      }
    });
  };
}
