// @vitest-environment jsdom
import type { SwapLine } from '@semita/core/contract';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { SwapBegun } from './swap-begun.tsx';

const line = (studentId: string, more: Partial<SwapLine> = {}): SwapLine => ({
  ...{ studentId, displayName: studentId, carried: 3, lost: [], wasHandedIn: true, isHandedIn: true },
  ...{ before: { earned: 500, possible: 900 }, after: { earned: 500, possible: 900 } },
  ...more,
});

test('who would lose something is not chosen unasked, and what is said first', async () => {
  const swapped = vi.fn();
  const closed = vi.fn();
  standIn({
    planSwap: () => [
      line('Elin'),
      line('Omar', {
        ...{ carried: 1, lost: ['Why does it bend?'], isHandedIn: false },
        after: { earned: 200, possible: 700 },
      }),
    ],
    swapEdition: ({ body }) => {
      swapped(body);
      return body.studentIds.map((studentId) => ({ studentId, editionNumber: 1 }));
    },
  });
  const { user } = show(<SwapBegun assignmentId="a" editionNumber={2} onClose={closed} />);
  expect((await screen.findByLabelText<HTMLInputElement>('Elin')).checked).toBe(true);
  expect(screen.getByLabelText<HTMLInputElement>('Omar').checked).toBe(false);
  expect(screen.getByText('The answer to “Why does it bend?” counts for nothing.')).toBeTruthy();
  expect(screen.getByText('It is no longer handed in.')).toBeTruthy();
  expect(screen.getByText(/5 of 9 become 2 of 7/)).toBeTruthy();
  await user.click(screen.getByLabelText('Omar'));
  await user.click(screen.getByRole('button', { name: 'Give edition 2 to 2 who have begun' }));
  await vi.waitFor(() => expect(closed).toHaveBeenCalled());
  expect(swapped).toHaveBeenCalledWith({ editionNumber: 2, studentIds: ['Elin', 'Omar'] });
});
