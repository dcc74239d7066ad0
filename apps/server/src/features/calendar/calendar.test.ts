import ICAL from 'ical.js';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { calendarFeeds } from '../../db/schema.ts';
import { type School, startSchool } from '../../test/harness.ts';
import { writeCalendar } from './write-calendar.ts';

let school: School;
let assignmentId: string;
beforeEach(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
  const window = { opensAt: '2026-11-26T08:00', dueAt: '2026-12-03T23:59', closesAt: '2026-12-05T12:00' };
  ({ assignmentId } = await school.assignLesson(lessonOf([everyKind.poll]), terms, window));
});
afterEach(() => school.stop());

/** What an independent reader of RFC 5545 (ical.js) finds in a calendar. */
function readBack(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text));
  return calendar.getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    const alarms = component
      .getAllSubcomponents('valarm')
      .map((alarm) => String(alarm.getFirstPropertyValue('trigger')));
    const url = String(component.getFirstPropertyValue('url'));
    return {
      uid: event.uid,
      title: event.summary,
      at: event.startDate.toJSDate(),
      sequence: event.sequence,
      alarms,
      url,
    };
  });
}

const open = async (who: string, alarmMinutes: number | null = null) => {
  const { token } = (await school.as(who).ask('POST', '/api/calendar', { alarmMinutes })).body;
  return `/api/feeds/${token}/semita.ics`;
};
const readFeed = async (address: string) => readBack((await school.visitor().ask('GET', address)).text);
const titleOf = (kind: string) => expect.stringMatching(new RegExp(`^${kind}: `));

describe('a calendar', () => {
  test('holds the dates of a student, on the instant, with what leads there', async () => {
    const address = await open('imani', 1_440);
    const answer = await school.visitor().ask('GET', address);
    expect(answer.headers.get('content-type')).toBe('text/calendar; charset=utf-8');
    // Stockholm is an hour ahead of UTC in winter; due at 23:59 means the end of that minute.
    expect(readBack(answer.text)).toEqual([
      {
        ...{ uid: `${assignmentId}-opens@semita`, title: titleOf('Opens'), sequence: 0, alarms: ['-P1D'] },
        ...{ at: new Date('2026-11-26T07:00:00Z'), url: `${school.base}/walk/${assignmentId}` },
      },
      {
        ...{ uid: `${assignmentId}-due@semita`, title: titleOf('Due'), sequence: 0, alarms: ['-P1D'] },
        ...{ at: new Date('2026-12-03T22:59:59Z'), url: `${school.base}/walk/${assignmentId}` },
      },
    ]);
  });

  test('moves a date that is moved: the same id, a higher sequence', async () => {
    const address = await open('imani');
    const adjust = (change: object) =>
      school
        .as('adaeze')
        .ask('POST', `/api/assignments/${assignmentId}/adjustments`, { studentIds: ['imani'], change });
    const due = async () => (await readFeed(address)).find(({ uid }) => uid.includes('-due'));
    const before = await due();
    await adjust({ kind: 'extendedBy', days: 7 });
    const after = await due();
    expect(after?.uid).toBe(before?.uid);
    expect(after?.sequence).toBeGreaterThan(before?.sequence ?? 0);
    expect(after?.at).toEqual(new Date('2026-12-10T22:59:59Z'));
    await adjust({ kind: 'excused' });
    expect(await readFeed(address)).toEqual([]);
  });

  test('of a teacher holds each of those something was given to, also when it closes', async () => {
    const events = await readFeed(await open('adaeze'));
    expect(events.map(({ title }) => title)).toEqual([titleOf('Opens'), titleOf('Due'), titleOf('Closes')]);
    expect(events.every(({ title, url }) => title.includes('(8 Amber)') && url.endsWith(assignmentId))).toBe(true);
  });

  test('its address is a secret: it is not kept, an earlier one ends, and it can be closed', async () => {
    const first = await open('imani');
    expect(JSON.stringify(school.db.select().from(calendarFeeds).all())).not.toContain(first.split('/')[3]);
    const second = await open('imani', 60);
    const status = async (address: string) => (await school.visitor().ask('GET', address)).status;
    expect([await status(first), await status(second)]).toEqual([404, 200]);
    const imani = school.as('imani');
    expect((await imani.ask('GET', '/api/calendar')).body).toEqual({ isOpen: true, alarmMinutes: 60 });
    await imani.ask('DELETE', '/api/calendar');
    expect(await status(second)).toBe(404);
    expect((await imani.ask('GET', '/api/calendar')).body).toEqual({ isOpen: false, alarmMinutes: null });
    expect(await status('/api/feeds/guessed/semita.ics')).toBe(404);
  });

  test('one assignment is taken by itself, by whoever has it', async () => {
    const path = `/api/assignments/${assignmentId}/dates.ics`;
    const { text, headers } = await school.as('imani').ask('GET', path);
    expect(headers.get('content-disposition')).toContain('dates.ics');
    expect(readBack(text)).toHaveLength(2);
    expect((await school.as('cobalt').ask('GET', path)).status).toBe(404);
    expect((await school.visitor().ask('GET', path)).status).toBe(401);
  });
});

test('dates around both changes of the clock are read as the instants they are, in any zone', () => {
  // Stockholm goes forward on 28 March 2027, 01:00 UTC, and back on 31 October 2027, 01:00 UTC (IANA tz database).
  const instants = ['2027-03-28T00:59:59Z', '2027-03-28T01:00:00Z', '2027-10-31T00:30:00Z', '2027-10-31T01:30:00Z'];
  const dates = instants.map((at, index) => ({
    ...{
      id: String(index),
      title: `At ${at}`,
      description: '',
      url: 'http://127.0.0.1/x',
      at: Date.parse(at),
      sequence: 0,
    },
  }));
  const text = writeCalendar('Test', dates, { now: 0, alarmMinutes: null });
  expect(readBack(text).map(({ at }) => at.toISOString().replace('.000', ''))).toEqual(instants);
  expect(text).not.toMatch(/TZID|VTIMEZONE/);
});

test('titles with commas, line breaks and other scripts come back as they were', () => {
  const title = 'Due: Beams; arches, and “ropes”\nnew line \\ جسر';
  const date = { id: 'a', title, description: '', url: 'http://127.0.0.1/x', at: 0, sequence: 3 };
  const [event] = readBack(writeCalendar('Test', [date], { now: 0, alarmMinutes: null }));
  expect([event?.title, event?.sequence]).toEqual([title, 3]);
});
