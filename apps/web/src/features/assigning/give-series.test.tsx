// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { GiveSeries } from './give-series.tsx';
import { moved, stepOf, stepsInWords, toSentStep, weekApart } from './series-plan.ts';

const load = { ...stepOf({ id: 'l', title: 'Load' }), dueAt: '2026-12-04T23:59' };
const span = stepOf({ id: 's', title: 'Span' });
const arch = { ...stepOf({ id: 'a', title: 'Arch' }), opens: 'withPoints' as const, percent: 60 };

describe('the plan of a series', () => {
  test('the first opens by its date, whatever it said before it was the first', () => {
    expect(toSentStep(span, 0)).toMatchObject({ afterPercent: null, opensAt: null });
    expect(toSentStep(span, 1)).toMatchObject({ afterPercent: 0 });
    expect(toSentStep(arch, 2)).toMatchObject({ afterPercent: 60 });
  });

  test('what waits has no date to open by', () => {
    const step = { ...span, opensAt: '2026-12-07T08:00' };
    expect(toSentStep(step, 1).opensAt).toBeNull();
    expect(toSentStep({ ...step, opens: 'byDate' }, 1).opensAt).toBe('2026-12-07T08:00');
  });

  test('due a week apart goes by the first date, over the end of a month and a year', () => {
    const dues = weekApart([{ ...load, dueAt: '2026-12-21T23:59' }, span, arch])?.map(({ dueAt }) => dueAt);
    expect(dues).toEqual(['2026-12-21T23:59', '2026-12-28T23:59', '2027-01-04T23:59']);
    expect(weekApart([span, arch])).toBeNull();
  });

  test('steps change places', () => {
    expect(moved([load, span, arch], 2, -1).map(({ title }) => title)).toEqual(['Load', 'Arch', 'Span']);
  });

  test('it is said in words', () => {
    expect(stepsInWords([load, span, arch])).toBe(
      '“Load” from now on, due Fri 4 Dec 2026, 23:59; “Span” when “Load” is done, without a due date; ' +
        '“Arch” when “Span” is done with 60 % of its points, without a due date',
    );
  });
});

test('lessons are chosen, put in order and given together', async () => {
  const sent = vi.fn();
  const lesson = (id: string, title: string) => ({ id, title, editionNumber: 1 }) as never;
  standIn({
    listRosters: () => [
      {
        ...{ id: 'amber', name: '8 Amber', shape: 'arch', colour: 'marigold', timeZone: 'UTC', locale: 'en' },
        ...{ meetings: [], students: [{ id: 'e', displayName: 'Elin', extraTime: 1 }], groups: [] },
      },
    ],
    listAssignments: () => [],
    listTermPresets: () => ({ last: null, presets: [] }),
    giveSeries: ({ body }) => {
      sent(body);
      return { id: 'new' };
    },
  });
  const lessons = [lesson('l', 'Load'), lesson('s', 'Span')];
  const { user } = show(<GiveSeries lessons={lessons} classId="amber" onClose={() => undefined} />);
  await user.type(await screen.findByLabelText('Name of the series'), 'Bridges');
  const give = () => screen.getByRole<HTMLButtonElement>('button', { name: /^Give \d/ });
  expect(give().disabled).toBe(true);
  await user.selectOptions(screen.getByLabelText('The first lesson'), 'Span');
  await user.selectOptions(screen.getByLabelText('One more lesson'), 'Load');
  await user.click(screen.getByRole('button', { name: 'Move “Load” up' }));
  const second = within(screen.getAllByRole('listitem')[1] as HTMLElement);
  await user.selectOptions(second.getByLabelText('Opens'), 'When the one before has enough points');
  await user.clear(second.getByLabelText('At least, in %'));
  await user.type(second.getByLabelText('At least, in %'), '80');
  expect(screen.getByText(/^1 student: “Load” from now on.*“Span” when “Load” is done with 80 %/)).toBeTruthy();
  await user.click(give());
  await vi.waitFor(() => expect(sent).toHaveBeenCalled());
  expect(sent.mock.calls[0]?.[0]).toMatchObject({
    ...{ title: 'Bridges', to: [{ kind: 'class', id: 'amber' }] },
    steps: [
      { lessonId: 'l', afterPercent: null },
      { lessonId: 's', afterPercent: 80 },
    ],
  });
});
