// @vitest-environment jsdom
import type { Sheet } from '@semita/core/contract';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { IntoGroup } from './into-group.tsx';

const student = (studentId: string, more: object = {}) => ({
  ...{ studentId, displayName: studentId, excused: false, dueAt: null, row: null },
  ...more,
});
const roster = (id: string, ...ids: string[]) => ({
  ...{ id, name: id, shape: 'arch' as const, colour: 'marigold' as const, timeZone: 'UTC', locale: 'en', meetings: [] },
  ...{ students: ids.map((one) => ({ id: one, displayName: one, extraTime: 1 })), groups: [] },
});

test('those who need the same become a group of each of their classes; guests and who has left do not', async () => {
  const sent = vi.fn();
  standIn({
    listRosters: () => [roster('amber', 'Elin', 'Omar'), roster('cobalt', 'Nils'), roster('other', 'Somebody')],
    putIntoGroups: ({ params, body }) => {
      sent(params.classId, body.groups);
      return undefined;
    },
  });
  const sheet = {
    ...{ terms: {}, now: 0 },
    students: [
      ...[student('Elin'), student('Nils'), student('Omar', { excused: true })],
      ...[student('Left', { leftAt: 1 }), student('Bo (guest)', { isGuest: true })],
    ],
  } as unknown as Sheet;
  const { user } = show(<IntoGroup sheet={sheet} />);
  await user.click(screen.getByRole('button', { name: 'Into a group …' }));
  await user.click(await screen.findByLabelText('Not begun (2)'));
  expect(screen.getByText('Elin, Nils')).toBeTruthy();
  await user.type(screen.getByLabelText('Name of the group'), ' Fresh start ');
  await user.click(screen.getByRole('button', { name: 'Put 2 students in it' }));
  await vi.waitFor(() => expect(sent).toHaveBeenCalledTimes(2));
  expect(sent.mock.calls).toEqual([
    ['amber', [{ name: 'Fresh start', studentIds: ['Elin'] }]],
    ['cobalt', [{ name: 'Fresh start', studentIds: ['Nils'] }]],
  ]);
});
