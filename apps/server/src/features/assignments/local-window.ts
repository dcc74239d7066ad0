import { type AssignmentWindow, windowFault } from '@semita/core/assignment';
import { endOfDay, toInstant } from '@semita/core/calendar';
import { Refused } from '../../http/refused.ts';

/** Dates and times as a form gives them, on the assignment's clock. */
export interface LocalWindow {
  readonly opensAt: string | null;
  readonly dueAt: string | null;
  readonly closesAt: string | null;
}

/** @throws Refused windowOutOfOrder; inputInvalid for a date that there is not */
export function toWindow(local: LocalWindow, timeZone: string): AssignmentWindow {
  const at = (text: string | null) => (text === null ? null : instantOf(text, timeZone));
  const window = { opensAt: at(local.opensAt), dueAt: at(local.dueAt), closesAt: at(local.closesAt) };
  const fault = windowFault(window);
  if (fault) throw new Refused('windowOutOfOrder', { fault });
  return window;
}

/** A date alone means the end of that day, and so does the last minute of a day. */
function instantOf(local: string, timeZone: string): number {
  try {
    return local.endsWith('T23:59') ? endOfDay(local.slice(0, 10), timeZone) : toInstant(local, timeZone);
  } catch (error) {
    if (error instanceof RangeError) throw new Refused('inputInvalid', { fields: ['window'] });
    throw error;
  }
}
