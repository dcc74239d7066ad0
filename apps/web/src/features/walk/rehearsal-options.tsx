import { RotateCcw } from 'lucide-react';
import { useId } from 'react';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Select } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  /** Those the lesson speaks of. */
  readonly groups: readonly string[];
  /** The group of the student one walks as; null for none. */
  readonly group: string | null;
  /** Whether one may go anywhere, whatever the students may. */
  readonly skipping: boolean;
  /** Begins the rehearsal anew. */
  readonly onBegin: (group: string | null) => void;
  readonly onSkipping: (skipping: boolean) => void;
}

/** Says that nothing is recorded, and lets a teacher begin again as another student would meet the lesson. */
export function RehearsalOptions({ groups, group, skipping, onBegin, onSkipping }: Props) {
  const id = useId();
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded-control bg-marigold-tint px-2.5 py-1 text-14">
      <p className="text-marigold-ink">{t('walk.rehearsal')}</p>
      {groups.length > 0 && (
        <span className="flex items-center gap-1.5">
          <label htmlFor={id}>{t('walk.rehearseAs')}</label>
          <Select
            id={id}
            value={group ?? ''}
            onChange={({ target }) => onBegin(target.value === '' ? null : target.value)}
          >
            <option value="">{t('walk.rehearseAsAnybody')}</option>
            {groups.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </Select>
        </span>
      )}
      <CheckInput checked={skipping} onChange={onSkipping}>
        {t('walk.rehearseSkipping')}
      </CheckInput>
      <Button look="quiet" size="small" onClick={() => onBegin(group)}>
        <RotateCcw aria-hidden className="size-4" strokeWidth={1.75} />
        {t('walk.rehearseAgain')}
      </Button>
    </div>
  );
}
