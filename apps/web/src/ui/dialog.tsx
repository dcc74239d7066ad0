import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { t } from '../words/words.ts';
import { joinClasses } from './join-classes.ts';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly description?: string | undefined;
  /** A sheet stands at the right edge and keeps the page in view; a box stands in the middle, a wide one takes most of the page. */
  readonly place?: 'box' | 'wide' | 'side';
  readonly children: ReactNode;
}

export function Dialog({ open, onOpenChange, title, description, place = 'box', children }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-film/40" />
        <Radix.Content
          {...(description ? {} : { 'aria-describedby': undefined })}
          className={joinClasses(
            'fixed z-50 flex flex-col bg-card shadow-float',
            place !== 'side' && 'top-1/2 left-1/2 max-h-[94dvh] -translate-x-1/2 -translate-y-1/2 rounded-card',
            place === 'box' && 'w-[min(32rem,94vw)]',
            place === 'wide' && 'w-[min(60rem,96vw)]',
            place === 'side' && 'top-0 right-0 h-dvh w-[min(40rem,96vw)]',
          )}
        >
          <header className="flex items-start gap-4 border-b border-line px-5 py-4">
            <div className="min-w-0 grow">
              <Radix.Title className="text-18">{title}</Radix.Title>
              {description && <Radix.Description className="text-14 text-quiet">{description}</Radix.Description>}
            </div>
            <Radix.Close className="-m-1 rounded-control p-2 hover:bg-main-tint" aria-label={t('app.close')}>
              <X aria-hidden className="size-5" strokeWidth={1.75} />
            </Radix.Close>
          </header>
          <div className="min-h-0 grow overflow-y-auto px-5 py-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
