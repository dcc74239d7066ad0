// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { CalendarDialog } from './calendar-dialog.tsx';

test('an address is made with the reminder that was chosen, shown this once, and stopped', async () => {
  let isOpen = false;
  const opened = vi.fn();
  standIn({
    readCalendar: () => ({ isOpen, alarmMinutes: null }),
    openCalendar: ({ body }) => {
      isOpen = true;
      opened(body.alarmMinutes);
      return { token: 'secret-of-the-address' };
    },
    closeCalendar: () => {
      isOpen = false;
      return undefined;
    },
  });
  const { user } = show(<CalendarDialog onClose={() => undefined} />);
  await user.selectOptions(await screen.findByLabelText('Remind me'), 'a day before');
  await user.click(screen.getByRole('button', { name: 'Make the address' }));
  const address = await screen.findByLabelText<HTMLInputElement>('The address');
  expect(address.value).toMatch(/\/api\/feeds\/secret-of-the-address\/semita\.ics$/);
  expect(opened).toHaveBeenCalledWith(1_440);
  await user.click(await screen.findByRole('button', { name: 'Stop it' }));
  expect(await screen.findByRole('button', { name: 'Make the address' })).toBeTruthy();
  expect(screen.queryByLabelText('The address')).toBeNull();
});
