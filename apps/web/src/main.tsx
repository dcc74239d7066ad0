import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { ApiError } from './api/api-error.ts';
import './styles.css';
import { router } from './router.tsx';
import { restoreTheme } from './ui/theme.ts';

restoreTheme();

const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      // What the server has refused it will refuse again; only a lost connection is worth another try.
      retry: (count, error) => error instanceof ApiError && error.code === 'offline' && count < 2,
    },
  },
});

const root = document.getElementById('root');
if (!root) throw new Error('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
