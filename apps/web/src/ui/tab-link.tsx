import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { joinClasses } from './join-classes.ts';

interface Props {
  readonly to: string;
  /** Only this very address, and none below it. */
  readonly end?: boolean;
  readonly children: ReactNode;
}

/** One of several sides of a page, each with an address of its own. */
export function TabLink({ to, end = false, children }: Props) {
  return (
    <NavLink
      to={to}
      end={end}
      className={({ isActive }) =>
        joinClasses(
          'border-b-2 px-1 py-2 text-14 font-medium',
          isActive ? 'border-main text-main' : 'border-transparent text-quiet hover:text-ink',
        )
      }
    >
      {children}
    </NavLink>
  );
}
