import { Keyboard } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { t } from '../words/words.ts';
import { Button } from './button.tsx';
import type { KeyGroup } from './key-list.tsx';
import { useKeys } from './use-keys.ts';

/** Few look at it, so it is loaded only for them. */
const KeyList = lazy(async () => ({ default: (await import('./key-list.tsx')).KeyList }));

/** The keys of a place, opened by its button or by `?`. */
export function KeyHelp({ groups }: { readonly groups: readonly KeyGroup[] }) {
  const [isOpen, setIsOpen] = useState(false);
  useKeys('?, shift+?', () => setIsOpen(true));
  return (
    <>
      <Button look="quiet" size="small" onClick={() => setIsOpen(true)}>
        <Keyboard aria-hidden className="size-4" strokeWidth={1.75} />
        {t('keys.title')}
      </Button>
      {isOpen && (
        <Suspense>
          <KeyList groups={groups} onClose={() => setIsOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
