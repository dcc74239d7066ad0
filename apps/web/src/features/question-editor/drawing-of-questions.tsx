import type { Checkpoint } from '@semita/core/lesson';
import { CheckInput } from '../../ui/check-input.tsx';
import { t } from '../../words/words.ts';
import { NumberInput } from './fields.tsx';
import './words.ts';

interface Props {
  readonly stop: Checkpoint;
  readonly onChange: (stop: Checkpoint) => void;
}

/** Which of several questions each student is given, and in which order. */
export function DrawingOfQuestions({ stop, onChange }: Props) {
  const { questions, pick } = stop;
  const count = questions.length;
  if (count < 2 && pick === undefined && !stop.shuffle) return null;
  const points = new Set(questions.map((question) => question.points));
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <CheckInput
          checked={pick !== undefined}
          onChange={(on) => onChange({ ...stop, pick: on ? Math.max(1, Math.ceil(count / 2)) : undefined })}
        >
          {t('editor.pickSome')}
        </CheckInput>
        {pick !== undefined && (
          <NumberInput
            label={t('editor.pickCount')}
            value={pick}
            min={1}
            max={50}
            suffix={t('editor.pickOf', { count })}
            onChange={(next) => onChange({ ...stop, pick: Math.round(next) })}
          />
        )}
        <CheckInput
          checked={stop.shuffle ?? false}
          onChange={(shuffle) => onChange({ ...stop, shuffle: shuffle || undefined })}
        >
          {t('editor.shuffleQuestions')}
        </CheckInput>
      </div>
      {pick !== undefined && points.size > 1 && <p className="text-14 text-marigold-ink">{t('editor.pickUneven')}</p>}
    </div>
  );
}
