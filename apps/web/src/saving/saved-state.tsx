import { Check, CloudOff, Pencil } from 'lucide-react';
import { t } from '../words/words.ts';
import type { Saving } from './save-queue.ts';
import './words.ts';

const troubles = {
  offline: 'desk.offline',
  signedOut: 'desk.signedOut',
  refused: 'desk.refused',
  conflict: 'desk.unsaved',
} as const;

/** How it stands with what was changed, beside it. */
export function SavedState({ saving }: { readonly saving: Saving }) {
  if (saving in troubles)
    return (
      <span role="status" className="flex items-center gap-1.5 text-14 text-brick">
        <CloudOff aria-hidden className="size-4" strokeWidth={1.75} />
        {t(troubles[saving as keyof typeof troubles])}
      </span>
    );
  const Icon = saving === 'saved' ? Check : Pencil;
  return (
    <span role="status" className="flex w-20 items-center gap-1.5 text-14 text-quiet">
      <Icon aria-hidden className="size-4" strokeWidth={1.75} />
      {t(saving === 'saved' ? 'desk.saved' : 'desk.saving')}
    </span>
  );
}
