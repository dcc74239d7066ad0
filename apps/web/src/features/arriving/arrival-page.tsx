import type { Me } from '@semita/core/contract';
import { useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { sessionOptions } from '../session/queries.ts';

/** A page on which somebody comes in who is not in yet: one column, one thing to do. */
export function ArrivalPage({
  title,
  intro,
  children,
}: {
  readonly title: ReactNode;
  readonly intro?: string;
  readonly children: ReactNode;
}) {
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-lg content-start gap-6 px-5 py-10 md:py-16">
      <div className="grid gap-2">
        <img src="/semita.svg" alt="" className="size-10" />
        <h1 className="text-28 [overflow-wrap:anywhere]">{title}</h1>
        {intro && <p className="text-quiet">{intro}</p>}
      </div>
      {children}
    </main>
  );
}

/** Goes to where the day of somebody begins who has just been let in. */
export function useArrive() {
  const queryClient = useQueryClient();
  const navigate = useNavigate();
  return async (me: Me) => {
    // Nothing of whoever sat here before.
    queryClient.clear();
    queryClient.setQueryData(sessionOptions().queryKey, { me, demo: false, isEmpty: false, now: Date.now() });
    await navigate('/', { replace: true });
  };
}
