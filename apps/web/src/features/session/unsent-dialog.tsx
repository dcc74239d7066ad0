import { useMutation } from '@tanstack/react-query';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';

/** Work that would be lost by leaving, and how somebody wants to leave. */
export interface Unsent {
  readonly by: 'signOut' | 'signOutEverywhere';
  readonly count: number;
}

interface UnsentProps {
  readonly unsent: Unsent;
  readonly onStay: () => void;
  readonly onLeave: (by: Unsent['by']) => Promise<void>;
}

/** Asks before work is left behind that has not reached the school. */
export function UnsentDialog({ unsent, onStay, onLeave }: UnsentProps) {
  const leaving = useMutation({ mutationFn: onLeave, networkMode: 'always' });
  return (
    <Dialog open onOpenChange={onStay} title={t('person.unsentTitle')}>
      <div className="grid gap-4">
        <p>{t('person.unsent', { count: unsent.count })}</p>
        {leaving.isError && <ErrorNotice error={leaving.error} />}
        <div className="flex flex-wrap gap-2">
          <Button look="main" onClick={onStay}>
            {t('person.stay')}
          </Button>
          <Button disabled={leaving.isPending} onClick={() => leaving.mutate(unsent.by)}>
            {t('person.signOutAnyway')}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
