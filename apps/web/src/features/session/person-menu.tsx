import type { Me } from '@semita/core/contract';
import { CalendarDays, ChevronDown, LogOut, Moon, Sun, UserRound } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { useTheme } from '../../ui/theme.ts';
import { t } from '../../words/words.ts';
import { useLeave } from './use-leave.tsx';

const CalendarDialog = lazy(async () => ({
  default: (await import('../calendar/calendar-dialog.tsx')).CalendarDialog,
}));

const itemStyle =
  'flex items-center gap-2 rounded-control px-3 py-2 text-14 outline-none data-highlighted:bg-main-tint';

export function PersonMenu({ me }: { readonly me: Me }) {
  const navigate = useNavigate();
  const { theme, toggleTheme } = useTheme();
  const [hasCalendar, setHasCalendar] = useState(false);
  const { leave, asking } = useLeave(me, () => navigate('/sign-in'));
  const ThemeIcon = theme === 'dim' ? Sun : Moon;
  return (
    <>
      {asking}
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
