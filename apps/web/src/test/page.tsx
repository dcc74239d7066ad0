import '../words/staff-words.ts';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, configure, render } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach } from 'vitest';

afterEach(cleanup);
// A busy machine is no failure.
configure({ asyncUtilTimeout: 20_000 });

// The browser of the tests lays nothing out, and so has nothing to tell of sizes.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};

/**
 * Shows something as it stands on a page, and gives hands to use it with.
 * @param at the address of the page
 */
export function show(element: ReactElement, at = '/') {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrap = (inner: ReactElement) => (
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[at]}>{inner}</MemoryRouter>
    </QueryClientProvider>
  );
  const { rerender } = render(wrap(element));
  return { user: userEvent.setup(), showAgain: (next: ReactElement) => rerender(wrap(next)) };
}
