import type { Me } from '@semita/core/contract';
import { useQueryClient } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense, useEffect, useState } from 'react';
import { call } from '../../api/client.ts';
import { sendToDoor } from '../outbox/doors.ts';
import { sessionOptions } from './queries.ts';
import type { Unsent } from './unsent-dialog.tsx';

const loadOutbox = () => import('../outbox/outbox.ts');
const loadSender = () => import('../outbox/send-left-over.ts');
const loadUnsentDialog = () => import('./unsent-dialog.tsx');
const UnsentDialog = lazy(async () => ({ default: (await loadUnsentDialog()).UnsentDialog }));

/**
 * The one way to sign somebody out of a browser. A student's device may be shared: nothing of theirs stays on it, and
 * nothing goes before it was sent or given up.
 * @param onLeft where to go once they are out; the page itself learns it from the session
 * @returns what leaves, and what is asked meanwhile, to be shown on the page
 */
export function useLeave(me: Me, onLeft: () => unknown = () => undefined) {
  const queryClient = useQueryClient();
  const [unsent, setUnsent] = useState<Unsent | null>(null);
  const isStudent = me.roles.includes('student');
  // It is wanted without a connection, so it has to be here before.
  useEffect(() => {
    if (isStudent) void Promise.allSettled([loadUnsentDialog(), loadOutbox(), loadSender()]);
  }, [isStudent]);
  const leave = async (by: Unsent['by'], isWarned = false): Promise<void> => {
    if (isStudent && !isWarned) {
      const left = await countUnsent(me.id);
      if (left > 0) return setUnsent({ by, count: left });
    }
    await call(by, {});
    if (isStudent) await openOutboxOf(me.id).then((outbox) => outbox.clear());
    setUnsent(null);
    const session = sessionOptions().queryKey;
    queryClient.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== session[0] });
    queryClient.getMutationCache().clear();
    // Whoever is still on the page sees at once that nobody is signed in.
    await queryClient.resetQueries({ queryKey: session });
    await onLeft();
  };
  const asking: ReactNode = unsent && (
    <Suspense>
      <UnsentDialog unsent={unsent} onStay={() => setUnsent(null)} onLeave={(by) => leave(by, true)} />
    </Suspense>
  );
  return { leave, asking };
}

const openOutboxOf = async (userId: string) => (await loadOutbox()).openOutbox(userId);

/** Sends what is still on this device, and says how much could not be. */
async function countUnsent(userId: string): Promise<number> {
  const outbox = await openOutboxOf(userId);
  const { sendLeftOver } = await loadSender();
  await sendLeftOver(outbox, sendToDoor);
  const keys = await outbox.listAttempts();
  const left = await Promise.all(keys.map((key) => outbox.list(key)));
  return left.flat().length;
}
