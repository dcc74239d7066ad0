import type { Me } from '@semita/core/contract';
import { useQueryClient } from '@tanstack/react-query';
import { CalendarDays, ChevronDown, LogOut, Moon, Sun, UserRound } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { useTheme } from '../../ui/theme.ts';
import { t } from '../../words/words.ts';
import type { Unsent } from './unsent-dialog.tsx';

const loadOutbox = () => import('../outbox/outbox.ts');
const loadSender = () => import('../outbox/send-left-over.ts');
const loadUnsentDialog = () => import('./unsent-dialog.tsx');
const UnsentDialog = lazy(async () => ({ default: (await loadUnsentDialog()).UnsentDialog }));

const CalendarDialog = lazy(async () => ({
  default: (await import('../calendar/calendar-dialog.tsx')).CalendarDialog,
}));

const itemStyle =
  'flex items-center gap-2 rounded-control px-3 py-2 text-14 outline-none data-highlighted:bg-main-tint';

export function PersonMenu({ me }: { readonly me: Me }) {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const { theme, toggleTheme } = useTheme();
  const [unsent, setUnsent] = useState<Unsent | null>(null);
  const [hasCalendar, setHasCalendar] = useState(false);
  const isStudent = me.roles.includes('student');
  // It is wanted without a connection, so it has to be here before.
  useEffect(() => {
    if (isStudent) void Promise.allSettled([loadUnsentDialog(), loadOutbox(), loadSender()]);
  }, [isStudent]);
  const leave = async (name: Unsent['by'], isWarned = false) => {
    // A student's device may be shared: nothing of theirs stays on it, and nothing goes before it was sent or given up.
    if (isStudent && !isWarned) {
      const left = await countUnsent(me.id);
      if (left > 0) return setUnsent({ by: name, count: left });
    }
    await call(name, {});
    if (isStudent) await openOutboxOf(me.id).then((outbox) => outbox.clear());
    queryClient.clear();
    await navigate('/sign-in');
  };
  const ThemeIcon = theme === 'dim' ? Sun : Moon;
  return (
    <>
      {unsent && (
        <Suspense>
          <UnsentDialog unsent={unsent} onStay={() => setUnsent(null)} onLeave={(by) => leave(by, true)} />
        </Suspense>
      )}
      {hasCalendar && (
        <Suspense>
          <CalendarDialog onClose={() => setHasCalendar(false)} />
        </Suspense>
      )}
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger
          aria-label={t('person.menu', { name: me.displayName })}
          className="flex h-9 items-center gap-1.5 rounded-control px-2 text-14 hover:bg-main-tint"
        >
          <UserRound aria-hidden className="size-5 sm:hidden" strokeWidth={1.75} />
          <span className="max-w-40 truncate max-sm:hidden">{me.displayName}</span>
          <ChevronDown aria-hidden className="size-4" strokeWidth={1.75} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-50 min-w-56 rounded-card border border-line bg-card p-1.5 text-ink shadow-float"
          >
            <p className="px-3 py-1.5 text-13 text-quiet">
              <span className="block text-14 text-ink sm:hidden">{me.displayName}</span>
              {me.schoolName}
            </p>
            <DropdownMenu.Item className={itemStyle} onSelect={toggleTheme}>
              <ThemeIcon aria-hidden className="size-4" strokeWidth={1.75} />
              {theme === 'dim' ? t('person.light') : t('person.dim')}
            </DropdownMenu.Item>
            <DropdownMenu.Item className={itemStyle} onSelect={() => setHasCalendar(true)}>
              <CalendarDays aria-hidden className="size-4" strokeWidth={1.75} />
              {t('person.calendar')}
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <DropdownMenu.Item className={itemStyle} onSelect={() => void leave('signOut')}>
              <LogOut aria-hidden className="size-4" strokeWidth={1.75} />
              {t('person.signOut')}
            </DropdownMenu.Item>
            <DropdownMenu.Item className={itemStyle} onSelect={() => void leave('signOutEverywhere')}>
              <LogOut aria-hidden className="size-4" strokeWidth={1.75} />
              {t('person.signOutEverywhere')}
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}

const openOutboxOf = async (userId: string) => (await loadOutbox()).openOutbox(userId);

/** Sends what is still on this device, and says how much could not be. */
async function countUnsent(userId: string): Promise<number> {
  const outbox = await openOutboxOf(userId);
  const { sendLeftOver } = await loadSender();
  await sendLeftOver(outbox, (attemptId, events) => call('takeInEvents', { params: { attemptId }, body: { events } }));
  const attempts = await outbox.listAttempts();
  const left = await Promise.all(attempts.map((attemptId) => outbox.list(attemptId)));
  return left.flat().length;
}
