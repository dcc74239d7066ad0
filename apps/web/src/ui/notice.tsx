import { Info, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';
import { codeOf } from '../api/api-error.ts';
import { findWords, t } from '../words/words.ts';
import { Button } from './button.tsx';
import { joinClasses } from './join-classes.ts';

const tones = {
  info: 'border-slate bg-slate-tint',
  attention: 'border-marigold bg-marigold-tint',
  danger: 'border-brick bg-brick-tint',
} as const;

interface Props {
  readonly tone?: keyof typeof tones;
  readonly title?: string;
  readonly children?: ReactNode;
  readonly role?: 'alert' | 'status';
}

/** A message that stays in its place on the page. */
export function Notice({ tone = 'info', title, children, role }: Props) {
  const Icon = tone === 'info' ? Info : TriangleAlert;
  return (
    <div role={role} className={joinClasses('flex gap-3 rounded-control border-l-4 px-4 py-3 text-14', tones[tone])}>
      <Icon aria-hidden className="mt-0.5 size-4 shrink-0" strokeWidth={1.75} />
      <div className="grid min-w-0 grow gap-2">
        {title && <p className="font-semibold">{title}</p>}
        {children}
      </div>
    </div>
  );
}

/** What happened, what was kept and what to do, from an error's code. */
export function errorWords(error: unknown): string {
  return findWords(`error.${codeOf(error)}`) ?? t('error.internal');
}

export function ErrorNotice({ error, onRetry }: { readonly error: unknown; readonly onRetry?: () => void }) {
  return (
    <Notice tone="danger" role="alert" title={t('error.title')}>
      <p>{errorWords(error)}</p>
      {onRetry && (
        <div>
          <Button size="small" onClick={onRetry}>
            {t('error.retry')}
          </Button>
        </div>
      )}
    </Notice>
  );
}

/** An empty place says what goes there and offers the first step. */
export function EmptyPlace({ title, children }: { readonly title: string; readonly children?: ReactNode }) {
  return (
    <div className="grid justify-items-center gap-3 rounded-card border border-dashed border-edge px-6 py-12 text-center">
      <p className="font-heading text-18">{title}</p>
      {children}
    </div>
  );
}

export function Loading() {
  return (
    <p role="status" className="p-6 text-quiet">
      {t('app.loading')}
    </p>
  );
}
