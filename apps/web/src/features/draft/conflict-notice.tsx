import { ConflictChoice } from '../../saving/conflict-choice.tsx';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import type { DeskSnapshot } from './desk-store.ts';
import { wordsOfChange } from './words-of-change.ts';
import './words.ts';

/** Two have changed the same: asks whose stands, and shows what gave way until it is put away. */
export function ConflictNotice({
  snapshot,
  onResolve,
  onPutAway,
}: {
  readonly snapshot: DeskSnapshot;
  readonly onResolve: (choice: 'keepMine' | 'dropMine') => void;
  readonly onPutAway: () => void;
}) {
  if (snapshot.saving === 'conflict')
    return (
      <div className="p-3">
        <ConflictChoice title={t('desk.conflictTitle')} help={t('desk.conflictHelp')} onResolve={onResolve} />
      </div>
    );
  if (snapshot.leftOut.length === 0) return null;
  return (
    <div className="p-3">
      <Notice tone="attention" role="status" title={t('desk.leftOutTitle')}>
        <p>{t('desk.leftOutHelp')}</p>
        <ul className="grid max-h-48 gap-2 overflow-y-auto">
          {snapshot.leftOut.map(({ whose, change }, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a list that only ever goes away whole
            <li key={index} className="grid gap-0.5">
              <span className="text-quiet">{t(whose === 'mine' ? 'desk.leftOutMine' : 'desk.leftOutTheirs')}</span>
              <span className="select-all break-words whitespace-pre-wrap">
                {wordsOfChange(change) || t('desk.leftOutStep')}
              </span>
            </li>
          ))}
        </ul>
        <div>
          <Button size="small" onClick={onPutAway}>
            {t('desk.putAway')}
          </Button>
        </div>
      </Notice>
    </div>
  );
}
