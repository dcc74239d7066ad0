import type { Request } from 'express';
import type { Handlers } from '../../http/serve-route.ts';
import type { CalendarService } from './calendar-service.ts';

type Names = 'readCalendar' | 'openCalendar' | 'closeCalendar' | 'readFeed' | 'saveDates';

const mimeType = 'text/calendar; charset=utf-8';

export function calendarHandlers(calendar: CalendarService): Pick<Handlers, Names> {
  return {
    readCalendar: ({ actor }) => calendar.read(actor),
    openCalendar: ({ actor, body }) => calendar.open(actor, body.alarmMinutes),
    closeCalendar: ({ actor }) => {
      calendar.close(actor);
      return undefined;
    },
    readFeed: ({ params, req, res }) => {
      res.type(mimeType).send(calendar.writeFeed(params.feedToken, baseOf(req)));
      return undefined;
    },
    saveDates: ({ actor, params, req, res }) => {
      res.attachment('dates.ics').type(mimeType);
      res.send(calendar.writeDates(actor, params.assignmentId, baseOf(req)));
      return undefined;
    },
  };
}

/** Where this school was asked for. */
const baseOf = (req: Request): string => `${req.protocol}://${req.get('host') ?? 'localhost'}`;
