import type { Question } from '@semita/core/question';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { BankFilters } from './bank-filters.tsx';
import { BankRow } from './bank-row.tsx';
import { filterBank, noFilter } from './filter-bank.ts';
import { bankOptions } from './queries.ts';
import { useChosen } from './use-chosen.ts';
import './words.ts';

interface Props {
  readonly onTake: (questions: readonly Question[]) => void;
  readonly onClose: () => void;
}

/** Takes questions from the bank. What is taken is a copy: the bank's own can change without this one. */
export function BankPicker({ onTake, onClose }: Props) {
  const query = useQuery(bankOptions());
  const [filter, setFilter] = useState(noFilter);
  const { chosen, toggle } = useChosen();
  return (
    <Dialog
      open
      place="wide"
      title={t('bank.take')}
      description={t('bank.takeHelp')}
      onOpenChange={(open) => !open && onClose()}
    >
      <QueryView query={query}>
        {(items) =>
          items.length === 0 ? (
            <p className="text-quiet">
              {t('bank.emptyHelp')}{' '}
              <Link to="/shelf/questions" className="text-main underline">
                {t('bank.open')}
              </Link>
            </p>
          ) : (
            <div className="grid gap-3">
              <BankFilters items={items} filter={filter} onChange={setFilter} />
              <ul className="grid max-h-[50dvh] divide-y divide-line overflow-y-auto rounded-control border border-line">
                {filterBank(items, filter).map((item) => (
                  <BankRow key={item.id} item={item} isChosen={chosen.has(item.id)} onToggle={() => toggle(item.id)} />
                ))}
              </ul>
              <div>
                <Button
                  look="main"
                  disabled={chosen.size === 0}
                  onClick={() => onTake(items.filter(({ id }) => chosen.has(id)).map(copyOf))}
                >
                  {t('bank.takeCount', { count: chosen.size })}
                </Button>
              </div>
            </div>
          )
        }
      </QueryView>
    </Dialog>
  );
}

const copyOf = ({ id, question }: { readonly id: string; readonly question: Question }): Question => ({
  ...structuredClone(question),
  id: newItemId(),
  bankItemId: id,
});
