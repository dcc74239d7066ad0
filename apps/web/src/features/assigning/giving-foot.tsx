import { ApiError } from '../../api/api-error.ts';
import { Button } from '../../ui/button.tsx';
import { ErrorNotice, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import type { Chosen } from './given-to.ts';
import './words.ts';

interface Props {
  readonly chosen: readonly Chosen[];
  readonly error: Error | null;
  readonly isPending: boolean;
  /** Nothing is missing and no date is out of order. */
  readonly isSound: boolean;
  /** What is about to happen; asked only of what is sound. */
  readonly sentence: () => string;
  readonly label: string;
  /** It is given although somebody has it already. */
  readonly onAgain: () => void;
}

/** What it comes to, and the one button; it stays in sight. */
export function GivingFoot({ chosen, error, isPending, isSound, sentence, label, onAgain }: Props) {
  const twice = namesOfTwice(error, chosen);
  return (
    <div className="sticky -bottom-4 -mx-5 -mb-4 grid gap-3 rounded-b-card border-t border-line bg-card px-5 py-3">
      {twice !== null ? (
        <Notice tone="attention" role="alert" title={t('assign.againTitle')}>
          <p>{t('assign.againHelp', { names: twice })}</p>
          <div>
            <Button size="small" disabled={isPending} onClick={onAgain}>
              {t('assign.again')}
            </Button>
          </div>
        </Notice>
      ) : (
        error && <ErrorNotice error={error} />
      )}
      {chosen.length > 0 && isSound && <p className="text-14">{sentence()}</p>}
      <div className="flex items-center gap-3">
        <Button look="main" size="roomy" type="submit" disabled={isPending || chosen.length === 0 || !isSound}>
          {label}
        </Button>
        {chosen.length === 0 && <p className="text-14 text-quiet">{t('assign.chooseFirst')}</p>}
      </div>
    </div>
  );
}

/** Of those it is to be given to, who have it already; null where that is not what is wrong. */
function namesOfTwice(error: Error | null, chosen: readonly Chosen[]): string | null {
  if (!(error instanceof ApiError) || error.code !== 'alreadyGiven') return null;
  const { to } = error.detail as { readonly to: readonly Pick<Chosen, 'kind' | 'id'>[] };
  return chosen
    .filter((one) => to.some(({ kind, id }) => kind === one.kind && id === one.id))
    .map(({ name }) => name)
    .join(', ');
}
