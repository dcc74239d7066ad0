// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { readCalendar } from './read-calendar.ts';
import { SchoolDaysPanel } from './school-days-panel.tsx';

const file = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//a school//EN', ...events, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) =>
  ['BEGIN:VEVENT', 'UID:x', 'DTSTAMP:20260801T000000Z', ...lines, 'END:VEVENT'].join('\r\n');

test('whole days are read, the last one as people mean it; what has hours or repeats is counted', () => {
  const read = readCalendar(
    file(
      // RFC 5545, 3.6.1: the end of whole days is the first day that no longer belongs to it.
      event('DTSTART;VALUE=DATE:20261026', 'DTEND;VALUE=DATE:20261031', 'SUMMARY:Autumn break'),
      event('DTSTART;VALUE=DATE:20261213', 'SUMMARY:A day by itself'),
      event('DTSTART;VALUE=DATE:20260819', 'DTEND;VALUE=DATE:20261219', 'SUMMARY:Autumn term\\, 2026'),
      event('DTSTART:20261101T190000Z', 'DTEND:20261101T200000Z', 'SUMMARY:An evening'),
      event('DTSTART;VALUE=DATE:20260901', 'RRULE:FREQ=WEEKLY', 'SUMMARY:Each week'),
    ),
  );
  expect(read).toEqual({
    leftOut: 2,
    days: [
      { title: 'Autumn break', kind: 'off', firstDay: '2026-10-26', lastDay: '2026-10-30' },
      { title: 'A day by itself', kind: 'off', firstDay: '2026-12-13', lastDay: '2026-12-13' },
      { title: 'Autumn term, 2026', kind: 'term', firstDay: '2026-08-19', lastDay: '2026-12-18' },
    ],
  });
});

test('what is no calendar is refused', () => {
  for (const text of ['', 'Name;Date', '{"a":1}', 'x'.repeat(1_000_001)]) expect(() => readCalendar(text)).toThrow();
});

test('a file is looked at, changed and taken in beside what was there', async () => {
  const changed = vi.fn();
  const summer = { title: 'Summer', kind: 'off' as const, firstDay: '2026-06-20', lastDay: '2026-08-16' };
  standIn({
    readSchoolDays: () => [summer],
    changeSchoolDays: ({ body }) => {
      changed(body.days);
      return undefined;
    },
  });
  const { user } = show(<SchoolDaysPanel />);
  await screen.findByText('Summer');
  const input = screen.getByLabelText<HTMLInputElement>('Choose a calendar file');
  await user.upload(input, new File(['nothing'], 'a.ics', { type: 'text/calendar' }));
  expect(await screen.findByRole('alert')).toBeTruthy();
  const text = file(
    event('DTSTART;VALUE=DATE:20261026', 'DTEND;VALUE=DATE:20261031', 'SUMMARY:Autumn break'),
    event('DTSTART;VALUE=DATE:20261105', 'SUMMARY:Open day'),
  );
  await user.upload(input, new File([text], 'a.ics', { type: 'text/calendar' }));
  await user.selectOptions(await screen.findByLabelText('What “Open day” is'), 'Leave out');
  await user.click(screen.getByRole('button', { name: 'Take 1 in' }));
  await vi.waitFor(() =>
    expect(changed).toHaveBeenCalledWith([
      summer,
      { title: 'Autumn break', kind: 'off', firstDay: '2026-10-26', lastDay: '2026-10-30' },
    ]),
  );
});
