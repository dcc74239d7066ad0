// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { AssignDialog } from './assign-dialog.tsx';
import { chooseFrom, faultOf, type Roster } from './given-to.ts';
import { sentenceOf } from './sentence.ts';

const student = (id: string, extraTime = 1) => ({ id, displayName: id, extraTime });
const amber: Roster = {
  ...{ id: 'amber', name: '8 Amber', shape: 'arch', colour: 'marigold', timeZone: 'UTC', locale: 'de', meetings: [] },
  students: [student('Elin', 1.5), student('Omar', 1.5), student('Tuva')],
  groups: [{ id: 'g', name: 'ready', studentIds: ['Tuva'] }],
};
const cobalt: Roster = { ...amber, id: 'cobalt', name: '8 Cobalt', students: [student('Nils')], groups: [] };
const dates = (dueAt: string) => ({ opensAt: '', dueAt, closesAt: '' });

test('the sentence says to how many, when, and who is different', () => {
  const whole = chooseFrom(amber, 'class', 'amber');
  const one = { ...chooseFrom(cobalt, 'student', 'Nils'), window: dates('2026-12-07T12:00') };
  expect(sentenceOf([whole, one], { ...dates('2026-12-03T23:59'), opensAt: '2026-11-30T08:00' }, [amber, cobalt])).toBe(
    '3 students of 8 Amber from Mon 30 Nov 2026, 08:00, due Thu 3 Dec 2026, 23:59; ' +
      'Nils from now on, due Mon 7 Dec 2026, 12:00; Elin and Omar get 50 % more time for what is timed.',
  );
});

test.each([
  [{ opensAt: '2026-12-02T08:00', dueAt: '2026-12-02T08:00', closesAt: '' }, 'dueBeforeOpens'],
  [{ opensAt: '', dueAt: '2026-12-02T08:00', closesAt: '2026-12-01T08:00' }, 'closesBeforeDue'],
  [{ opensAt: '2026-12-02T08:00', dueAt: '', closesAt: '2026-12-02T08:00' }, 'closesBeforeOpens'],
  [{ opensAt: '2026-12-01T08:00', dueAt: '2026-12-02T08:00', closesAt: '2026-12-02T08:00' }, null],
])('%o has the fault %s', (window, fault) => expect(faultOf(window)).toBe(fault));

/** Opens the dialog, and keeps what is sent. */
function open() {
  const sent = vi.fn();
  let isKnown = true;
  standIn({
    listRosters: () => [amber, cobalt],
    listAssignments: () => [],
    listTermPresets: () => ({ last: { skipping: false, rewindAtStops: true, maxRate: 1.5, attempts: 2 }, presets: [] }),
    assign: ({ body }) => {
      if (isKnown && !body.isAgain) throw new Refusal('alreadyGiven', { to: [{ kind: 'class', id: 'cobalt' }] });
      isKnown = false;
      sent(body);
      return { id: 'new' };
    },
  });
  return { sent, ...show(<AssignDialog lessonId="l" title="Bridges" editionNumber={2} onClose={() => undefined} />) };
}

test('two classes and a student, with dates as they are typed, go out together', async () => {
  const { sent, user } = open();
  await user.click(await screen.findByLabelText('8 Amber'));
  await user.click(screen.getByRole('button', { name: 'Groups and students of 8 Cobalt' }));
  await user.click(screen.getByLabelText('Nils'));
  await user.type(screen.getByLabelText('Due'), '14.3.2031 12:00');
  await user.click(screen.getByLabelText('Other dates for Nils'));
  const own = screen.getAllByLabelText<HTMLInputElement>('Due')[1] as HTMLInputElement;
  expect(own.value).toBe('Fri 14 Mar 2031, 12:00');
  await user.clear(own);
  await user.type(own, '17.3.2031');
  await user.click(screen.getByRole('button', { name: 'Assign' }));
  await user.click(await screen.findByRole('button', { name: 'Give it again all the same' }));
  await vi.waitFor(() => expect(sent).toHaveBeenCalled(), { timeout: 20_000 });
  expect(sent.mock.calls[0]?.[0]).toMatchObject({
    ...{
      lessonId: 'l',
      terms: { maxRate: 1.5, attempts: 2 },
      opensAt: null,
      dueAt: '2031-03-14T12:00',
      closesAt: null,
      isAgain: true,
    },
    to: [
      { kind: 'class', id: 'amber', classId: 'amber' },
      { kind: 'student', id: 'Nils', classId: 'cobalt', window: { dueAt: '2031-03-17T23:59' } },
    ],
  });
});

test('nothing goes out while nobody is chosen, or dates are out of order', async () => {
  const { user } = open();
  const submit = await screen.findByRole<HTMLButtonElement>('button', { name: 'Assign' });
  expect(submit.disabled).toBe(true);
  await user.click(screen.getByLabelText('8 Cobalt'));
  await user.type(screen.getByLabelText('Opens'), '14.3.2031');
  await user.type(screen.getByLabelText('Due'), '13.3.2031');
  expect(screen.getByRole('alert').textContent).toBe('It must open before it is due.');
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Assign to 8 Cobalt' }).disabled).toBe(true);
});

test('what cannot be read as a date says so, and a calendar helps', async () => {
  const { user } = open();
  await user.type(await screen.findByLabelText('Due'), 'someday');
  expect(screen.getByRole('alert').textContent).toContain('14.3.');
  // Nothing goes out with another date than the one that stands there.
  await user.click(screen.getByLabelText('8 Amber'));
  const submit = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Assign to 8 Amber' }).disabled;
  expect(submit()).toBe(true);
  await user.clear(screen.getByLabelText('Due'));
  expect(submit()).toBe(false);
  await user.clear(screen.getByLabelText('Due'));
  await user.click(screen.getByRole('button', { name: 'Due: calendar' }));
  const calendar = await screen.findByRole('dialog', { name: 'Due' });
  await user.click(within(calendar).getByRole('button', { name: 'In a week' }));
  expect(screen.getByLabelText<HTMLInputElement>('Due').value).toMatch(/, 23:59$/);
});
