import { eq } from 'drizzle-orm';
import { calendarFeeds, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor, SessionService } from '../accounts/session-service.ts';
import { hashOf, newToken } from '../accounts/token.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { ReceivedAssignments } from '../assignments/received-assignments.ts';
import { type CalendarDate, writeCalendar } from './write-calendar.ts';

export type CalendarService = ReturnType<typeof createCalendarService>;

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly sessions: Pick<SessionService, 'getMe' | 'isOff'>;
  readonly assignments: Pick<AssignmentService, 'listDates'>;
  readonly received: Pick<ReceivedAssignments, 'list'>;
  readonly given: Pick<AssignedLessons, 'givenOf' | 'figuresOf'>;
}

/** Dates of each person, for the calendar they keep elsewhere. */
export function createCalendarService({ db, clock, sessions, assignments, received, given }: Options) {
  /**
   * All changes of all dates are counted, so that a calendar takes the newest for the newest: also for a student who is
   * reached through another group now, whose own dates have changed less often.
   */
  const sequenceOf = (assignmentId: string): number => {
    const { addressees } = given.givenOf(assignmentId);
    return [...addressees.values()].reduce((sum, { windows }) => sum + windows.length - 1, 0);
  };

  const datesOfTeacher = (actor: Actor, base: string): CalendarDate[] =>
    assignments.listDates(actor).flatMap(({ id, title, to }) =>
      to.flatMap(({ id: addresseeId, name, opensAt, dueAt, closesAt }) => {
        const shared = {
          ...{ description: name, url: `${base}/assignments/${id}`, sequence: sequenceOf(id) },
        };
        return [
          ...dated(opensAt, { id: `${addresseeId}-opens`, title: `Opens: ${title} (${name})`, ...shared }),
          ...dated(dueAt, { id: `${addresseeId}-due`, title: `Due: ${title} (${name})`, ...shared }),
          // Where it closes when it is due, one date says it.
          ...dated(closesAt === dueAt ? null : closesAt, {
            ...{ id: `${addresseeId}-closes`, title: `Closes: ${title} (${name})`, ...shared },
          }),
        ];
      }),
    );

  const datesOfStudent = (studentId: string, base: string): CalendarDate[] => {
    const all = received
      .list(studentId)
      .filter(({ terms, isHidden, isPutAway }) => terms.leftAt === null && !terms.excused && !isHidden && !isPutAway);
    const figures = given.figuresOf(all.map(({ assignment }) => assignment));
    return all.flatMap(({ assignment, className, teacherName, terms }) => {
      const { id } = assignment;
      const title = figures.get(assignment.editionId)?.title ?? '';
      const { opensAt, dueAt } = terms.window;
      const shared = {
        ...{ description: `${className}, ${teacherName}`, url: `${base}/walk/${id}` },
        sequence: sequenceOf(id) + terms.adjustmentCount,
      };
      return [
        ...dated(opensAt, { id: `${id}-opens`, title: `Opens: ${title}`, ...shared }),
        ...dated(dueAt, { id: `${id}-due`, title: `Due: ${title}`, ...shared }),
      ];
    });
  };

  const datesOf = (actor: Actor, base: string): CalendarDate[] => [
    ...(actor.roles.includes('teacher') ? datesOfTeacher(actor, base) : []),
    ...(actor.roles.includes('student') ? datesOfStudent(actor.id, base) : []),
  ];

  const feedOf = (userId: string) => db.select().from(calendarFeeds).where(eq(calendarFeeds.userId, userId)).get();

  return {
    read(actor: Actor) {
      const feed = feedOf(actor.id);
      return { isOpen: feed !== undefined, alarmMinutes: (feed?.alarmMinutes ?? null) as 60 | 1440 | 2880 | null };
    },

    /** @returns what stands in the address, which is kept nowhere; an earlier address leads nowhere any more */
    open(actor: Actor, alarmMinutes: number | null): { token: string } {
      const token = newToken();
      const row = { tokenHash: hashOf(token), alarmMinutes, createdAt: clock() };
      db.insert(calendarFeeds)
        .values({ userId: actor.id, ...row })
        .onConflictDoUpdate({ target: calendarFeeds.userId, set: row })
        .run();
      return { token };
    },

    close(actor: Actor): void {
      db.delete(calendarFeeds).where(eq(calendarFeeds.userId, actor.id)).run();
    },

    /** @param base where this school is reached, `https://semita.example` */
    writeFeed(token: string, base: string): string {
      const { userId, alarmMinutes } = found(
        db
          .select()
          .from(calendarFeeds)
          .where(eq(calendarFeeds.tokenHash, hashOf(token)))
          .get(),
      );
      if (sessions.isOff(userId)) throw new Refused('notFound');
      const { schoolId } = found(db.select().from(users).where(eq(users.id, userId)).get());
      const { roles, displayName, schoolName } = sessions.getMe(userId);
      const dates = datesOf({ id: userId, roles, schoolId, displayName }, base);
      return writeCalendar(`Semita, ${schoolName}`, dates, { now: clock(), alarmMinutes });
    },

    /** Of one assignment alone. */
    writeDates(actor: Actor, assignmentId: string, base: string): string {
      const dates = datesOf(actor, base).filter(({ url }) => url.endsWith(`/${assignmentId}`));
      return writeCalendar('Semita', dates, { now: clock(), alarmMinutes: null });
    },
  };
}

const dated = (at: number | null, date: Omit<CalendarDate, 'at'>): CalendarDate[] =>
  at === null ? [] : [{ ...date, at }];
