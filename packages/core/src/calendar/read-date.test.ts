import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dateOrderOf, readDate } from './read-date.ts';

/** A Tuesday. */
const today = '2026-12-01';
const read = (text: string, order: 'dmy' | 'mdy' | 'ymd' = 'dmy') => {
  const found = readDate(text, { today, order });
  return found && (found.time === null ? found.date : `${found.date} ${found.time}`);
};

describe('dates as people type them, on Tuesday 1 December 2026', () => {
  test.each([
    ['today', '2026-12-01'],
    ['Tomorrow', '2026-12-02'],
    ['tomorrow 8:00', '2026-12-02 08:00'],
    ['in 3 days', '2026-12-04'],
    ['in a week', '2026-12-08'],
    ['in 2 weeks 14:30', '2026-12-15 14:30'],
    ['Fri', '2026-12-04'],
    ['friday', '2026-12-04'],
    ['next Fri', '2026-12-11'],
    ['next Mon', '2026-12-07'],
    // The coming one is never today.
    ['Tue', '2026-12-08'],
    ['14.3.', '2027-03-14'],
    ['14.3', '2027-03-14'],
    ['1.12.', '2026-12-01'],
    ['30.11.', '2027-11-30'],
    ['14.3.2028', '2028-03-14'],
    ['14.03.28', '2028-03-14'],
    ['14/3/2028 9:05', '2028-03-14 09:05'],
    ['2031-01-14T23:59', '2031-01-14 23:59'],
    ['2031-01-14', '2031-01-14'],
    ['Thu 3 Dec, 23:59', '2026-12-03 23:59'],
    ['Thu 3 Dec 2026, 23:59', '2026-12-03 23:59'],
    ['Wed 14 Jan 2031, 23:59', '2031-01-14 23:59'],
    ['Dec 24th', '2026-12-24'],
    ['3rd of May', '2027-05-03'],
    ['December 24 2027', '2027-12-24'],
    ['29 Feb', '2028-02-29'],
    ['9pm', '2026-12-01 21:00'],
    ['12 am', '2026-12-01 00:00'],
    ['Fri at 8:15 am', '2026-12-04 08:15'],
    ['١٤/٣', '2027-03-14'],
    ['१४.३.', '2027-03-14'],
    ['\u200f14\u200f/3', '2027-03-14'],
  ])('%s is %s', (text, expected) => expect(read(text)).toBe(expected));

  test.each([
    ['3/14', 'mdy', '2027-03-14'],
    ['14/3', 'mdy', '2027-03-14'],
    ['2.3.', 'mdy', '2027-03-02'],
    ['3/14/27', 'mdy', '2027-03-14'],
    ['12/01', 'mdy', '2026-12-01'],
    ['27-03-14', 'ymd', '2027-03-14'],
    ['3-14', 'ymd', '2027-03-14'],
  ] as const)('%s in the order %s is %s', (text, order, expected) => expect(read(text, order)).toBe(expected));

  test.each([
    '31.2.',
    '14/14',
    '32 Dec',
    'someday',
    '25:00',
    '13 pm',
    '2026-13-01',
    '1',
    '12345',
    'in x days',
    '14.3.5',
    '29.2.2027',
  ])('%s is none', (text) => expect(read(text)).toBeNull());

  test('an empty text is today, for whoever asks about one', () => expect(read('')).toBe(today));

  test('nothing that can be typed makes it fail', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (text) => {
        const found = readDate(text, { today, order: 'dmy' });
        if (found) expect(found.date).toMatch(/^\d{4}-\d{2}-\d{2}$/);
      }),
      { numRuns: 2_000 },
    );
  });
});

// CLDR as ICU in Node has it: dates.calendars.gregorian.dateFormats.short.
test.each([
  ['en-US', 'mdy'],
  ['en', 'mdy'],
  ['en-GB', 'dmy'],
  ['de', 'dmy'],
  ['sv', 'ymd'],
  ['fr', 'dmy'],
  ['ja', 'ymd'],
  ['ar-EG', 'dmy'],
] as const)('%s writes %s', (locale, order) => expect(dateOrderOf(locale)).toBe(order));
