import { Button } from '../ui/button.tsx';
import { Notice } from '../ui/notice.tsx';
import { t } from '../words/words.ts';
import './words.ts';

interface Props {
  readonly title: string;
  readonly help: string;
  readonly onResolve: (choice: 'keepMine' | 'dropMine') => void;
}

/** Two have changed the same: asks whose stands. */
export function ConflictChoice({ title, help, onResolve }: Props) {
  return (
    <Notice tone="attention" role="alert" title={title}>
      <p>{help}</p>
      <div className="flex gap-2">
        <Button look="main" size="small" onClick={() => onResolve('keepMine')}>
          {t('desk.keepMine')}
        </Button>
        <Button size="small" onClick={() => onResolve('dropMine')}>
          {t('desk.dropMine')}
        </Button>
      </div>
    </Notice>
  );
}
