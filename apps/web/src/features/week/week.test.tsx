// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { type Dated, entriesOf } from './entries.ts';
import { WeekView } from './week-view.tsx';

const base: Dated = {
  ...{ key: 'a', title: 'Bridges', beside: '8 Cobalt', to: '/assignments/a', state: null, isDone: false },
  ...{ timeZone: 'Europe/Stockholm', opensAt: null, dueAt: null, closesAt: null },
};
// Wednesday 2 December 2026, noon UTC.
const now = Date.UTC(2026, 11, 2, 12);

test('each date stands on its day by the clock of the class; what closes when it is due stands there once', () => {
  // 23:30 UTC is half past midnight in Stockholm.
  const dueAt = Date.UTC(2026, 11, 3, 23, 30);
  const entries = entriesOf([
    { ...base, dueAt, closesAt: dueAt },
    { ...base, key: 'b', opensAt: Date.UTC(2026, 10, 30, 7) },
  ]);
  expect(entries.map(({ key, date, time }) => `${key} ${date} ${time}`)).toEqual([
    'b opens 2026-11-30 08:00',
    'a due 2026-12-04 00:30',
  ]);
});

test('a week is gone through, and Back would find each', async () => {
  standIn({
    readSchoolDays: () => [{ title: 'Council day', kind: 'off', firstDay: '2026-12-04', lastDay: '2026-12-04' }],
  });
  const { user } = show(
    <WeekView
      now={now}
      entries={entriesOf([
        { ...base, dueAt: Date.UTC(2026, 11, 3, 10) },
        { ...base, key: 'n', title: 'Next week', to: null, dueAt: Date.UTC(2026, 11, 8, 10), isDone: true },
      ])}
    />,
  );
  const day = (name: RegExp) => within(screen.getByRole('heading', { name }).closest('li') as HTMLElement);
  expect(screen.getAllByRole('heading', { level: 2 })).toHaveLength(7);
  expect(await screen.findByText('Council day')).toBeTruthy();
  expect(day(/Wed 2 Dec, today/).getByText('Nothing')).toBeTruthy();
  expect(
    day(/Thu 3 Dec/)
      .getByRole('link', { name: 'Bridges' })
      .getAttribute('href'),
  ).toBe('/assignments/a');
  expect(day(/Thu 3 Dec/).getByText('Due 11:00')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'The week after' }));
  expect(day(/Tue 8 Dec/).getByText('Next week').tagName).toBe('SPAN');
  await user.click(screen.getByRole('button', { name: 'This week' }));
  await user.click(screen.getByRole('button', { name: 'The week before' }));
  expect(screen.getByText('Nothing in this week')).toBeTruthy();
});

test('a week that is no date is this one', () => {
  standIn({ readSchoolDays: () => [] });
  show(<WeekView now={now} entries={[]} />, '/week?from=2026-99-99');
  expect(screen.getByRole('heading', { name: /Wed 2 Dec, today/ })).toBeTruthy();
});
