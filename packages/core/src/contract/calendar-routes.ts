import * as v from 'valibot';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** How long before a date a calendar can remind of it, in minutes. */
export const alarmChoices = [60, 24 * 60, 2 * 24 * 60] as const;

const alarmMinutes = v.nullable(v.picklist(alarmChoices));

/** Doors for dates in calendars of other programs (iCalendar, RFC 5545). */
export const calendarRoutes = {
  readCalendar: route(...routePaths.readCalendar, 'signedIn', {
    output: v.object({ isOpen: v.boolean(), alarmMinutes }),
  }),
  /** Makes a secret address, in the place of an earlier one; answers with what stands in it, this once. */
  openCalendar: route(...routePaths.openCalendar, 'signedIn', {
    body: v.object({ alarmMinutes }),
    output: v.object({ token: v.string() }),
  }),
  closeCalendar: route(...routePaths.closeCalendar, 'signedIn'),
  /** What calendar programs read; whoever has the address is let in. */
  readFeed: route(...routePaths.readFeed, 'anyone'),
  /** The dates of one assignment, to be taken into a calendar by hand. */
  saveDates: route(...routePaths.saveDates, 'signedIn'),
} as const;
