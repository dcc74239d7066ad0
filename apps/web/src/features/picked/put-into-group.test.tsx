// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { PutIntoGroup } from './put-into-group.tsx';

const roster = (id: string, ...ids: string[]) => ({
  ...{ id, name: id, shape: 'arch' as const, colour: 'marigold' as const, timeZone: 'UTC', locale: 'en', meetings: [] },
  ...{ students: ids.map((one) => ({ id: one, displayName: one, extraTime: 1 })), groups: [] },
});
const students = ['Elin', 'Nils', 'Bo (guest)'].map((name) => ({ id: name, displayName: name }));

test('students become a group of each of their classes; who is in none of one’s own stays out, and is counted', async () => {
  const sent = vi.fn();
  standIn({
    listRosters: () => [roster('amber', 'Elin', 'Omar'), roster('cobalt', 'Nils'), roster('other', 'Somebody')],
    putIntoGroups: ({ params, body }) => {
      sent(params.classId, body.groups);
      return undefined;
    },
  });
  const { user } = show(<PutIntoGroup students={students} suggestedName="Once more" onClose={() => {}} />);
  expect(await screen.findByText('Elin, Nils')).toBeTruthy();
  expect(screen.getByText('1 of them is in no class of yours, and stays out of it.')).toBeTruthy();
  const name = screen.getByLabelText<HTMLInputElement>('Name of the group');
  expect(name.value).toBe('Once more');
  await user.clear(name);
  await user.type(name, ' Fresh start ');
  await user.click(screen.getByRole('button', { name: 'Put 2 students in it' }));
  await vi.waitFor(() => expect(sent).toHaveBeenCalledTimes(2));
  expect(sent.mock.calls).toEqual([
    ['amber', [{ name: 'Fresh start', studentIds: ['Elin'] }]],
    ['cobalt', [{ name: 'Fresh start', studentIds: ['Nils'] }]],
  ]);
});
