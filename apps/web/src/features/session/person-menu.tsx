import type { Me } from '@semita/core/contract';
import { CalendarDays, ChevronDown, LogOut, Moon, ShieldCheck, Sun, UserRound } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { Menu, MenuItem, MenuLine } from '../../ui/menu.tsx';
import { useTheme } from '../../ui/theme.ts';
import { t } from '../../words/words.ts';
import { useLeave } from './use-leave.tsx';

const CalendarDialog = lazy(async () => ({
  default: (await import('../calendar/calendar-dialog.tsx')).CalendarDialog,
}));

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
      <Menu
        label={t('person.menu', { name: me.displayName })}
        trigger={
          <>
            <UserRound aria-hidden className="size-5 sm:hidden" strokeWidth={1.75} />
            <span className="max-w-40 truncate max-sm:hidden">{me.displayName}</span>
            <ChevronDown aria-hidden className="size-4" strokeWidth={1.75} />
          </>
        }
      >
        <p className="px-3 py-1.5 text-13 text-quiet">
          <span className="block text-14 text-ink sm:hidden">{me.displayName}</span>
          {me.schoolName}
        </p>
        <MenuItem onSelect={toggleTheme}>
          <ThemeIcon aria-hidden className="size-4" strokeWidth={1.75} />
          {theme === 'dim' ? t('person.light') : t('person.dim')}
        </MenuItem>
        <MenuItem onSelect={() => setHasCalendar(true)}>
          <CalendarDays aria-hidden className="size-4" strokeWidth={1.75} />
          {t('person.calendar')}
        </MenuItem>
        {me.roles.includes('student') && (
          <MenuItem onSelect={() => void navigate('/kept')}>
            <ShieldCheck aria-hidden className="size-4" strokeWidth={1.75} />
            {t('person.kept')}
          </MenuItem>
        )}
        <MenuLine />
        <MenuItem onSelect={() => void leave('signOut')}>
          <LogOut aria-hidden className="size-4" strokeWidth={1.75} />
          {t('person.signOut')}
        </MenuItem>
        <MenuItem onSelect={() => void leave('signOutEverywhere')}>
          <LogOut aria-hidden className="size-4" strokeWidth={1.75} />
          {t('person.signOutEverywhere')}
        </MenuItem>
      </Menu>
    </>
  );
}
