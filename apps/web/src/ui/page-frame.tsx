import type { ReactNode } from 'react';
import { Link, NavLink } from 'react-router';
import { t } from '../words/words.ts';
import { joinClasses } from './join-classes.ts';

interface Place {
  readonly to: string;
  readonly label: string;
  /** How much waits there; none is not shown. */
  readonly count?: number;
  readonly countLabel?: string;
}

interface Props {
  readonly places: readonly Place[];
  readonly end: ReactNode;
  readonly children: ReactNode;
}

/** The slim bar on top and the page under it. */
export function PageFrame({ places, end, children }: Props) {
  return (
    <div className="flex min-h-dvh flex-col bg-paper">
      <a href="#content" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-card focus:p-3">
        {t('app.skipToContent')}
      </a>
      <header className="border-b border-line bg-card print:hidden">
        {/* On the smallest screens the places stand below. */}
        <div className="flex min-h-12 flex-wrap items-center gap-x-1 px-3 sm:gap-x-4 sm:px-5">
          <Link
            to="/"
            className="flex shrink-0 items-center gap-2 rounded-control pr-1 font-heading text-18 font-bold text-main"
          >
            <img src="/semita.svg" alt="" className="size-6 shrink-0" />
            <span className="max-sm:sr-only">{t('app.name')}</span>
          </Link>
          <nav
            aria-label={t('app.name')}
            className="flex h-12 items-stretch max-[24rem]:order-last max-[24rem]:h-10 max-[24rem]:w-full"
          >
            {places.map(({ to, label, count = 0, countLabel }) => (
              <NavLink
                key={to}
                to={to}
                className={({ isActive }) =>
                  joinClasses(
                    'flex items-center border-b-2 px-1.5 text-14 font-medium whitespace-nowrap sm:px-3',
                    isActive ? 'border-main text-main' : 'border-transparent text-quiet hover:text-ink',
                  )
                }
              >
                {label}
                {count > 0 && (
                  <span className="ml-1.5 rounded-full bg-marigold-tint px-1.5 font-mono text-13 text-marigold-ink">
                    <span aria-hidden>{count}</span>
                    <span className="sr-only">{countLabel}</span>
                  </span>
                )}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex items-center gap-2">{end}</div>
        </div>
      </header>
      <main id="content" tabIndex={-1} className="flex min-h-0 grow flex-col outline-none">
        {children}
      </main>
    </div>
  );
}
