import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach } from 'vitest';

afterEach(cleanup);

/** Shows something as it stands on a page, and gives hands to use it with. */
export function show(element: ReactElement) {
  const wrap = (inner: ReactElement) => (
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{inner}</MemoryRouter>
    </QueryClientProvider>
  );
  const { rerender } = render(wrap(element));
  return { user: userEvent.setup(), showAgain: (next: ReactElement) => rerender(wrap(next)) };
}
