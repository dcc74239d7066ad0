import { Redo2, Undo2 } from 'lucide-react';
import { t } from '../words/words.ts';
import { Button } from './button.tsx';
import type { History } from './use-history.ts';

/** Takes the last step back, or does it again. */
export function HistoryButtons({
  canUndo,
  canRedo,
  undo,
  redo,
}: Pick<History<unknown>, 'canUndo' | 'canRedo' | 'undo' | 'redo'>) {
  return (
    <div className="flex">
      <Button look="quiet" size="small" disabled={!canUndo} onClick={undo} aria-label={t('app.undo')}>
        <Undo2 aria-hidden className="size-4" strokeWidth={1.75} />
      </Button>
      <Button look="quiet" size="small" disabled={!canRedo} onClick={redo} aria-label={t('app.redo')}>
        <Redo2 aria-hidden className="size-4" strokeWidth={1.75} />
      </Button>
    </div>
  );
}
