import { type Confidence, confidences, type Response } from '@semita/core/question';
import { useId } from 'react';
import { findWords, t } from '../../words/words.ts';
import { pickable } from './choice-field.tsx';

/** "How sure are you?", asked along with an answer. */
export function ConfidenceField({
  confidence,
  disabled,
  onChange,
}: {
  readonly confidence: Response['confidence'];
  /** There is nothing yet to be sure of. */
  readonly disabled: boolean;
  readonly onChange: (sure: Confidence) => void;
}) {
  const id = useId();
  return (
    <fieldset disabled={disabled} className="disabled:opacity-60">
      <legend className="mb-1 text-14 text-quiet">{t('question.howSure')}</legend>
      <div className="grid grid-cols-2 gap-1.5">
        {confidences.map((degree) => (
          <label key={degree} className={`${pickable(confidence === degree)} px-3 text-14`}>
            <input
              type="radio"
              name={id}
              className="size-4 shrink-0 accent-main"
              checked={confidence === degree}
              onChange={() => onChange(degree)}
            />
            {confidenceWords(degree)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

export function confidenceWords(degree: number): string {
  return findWords(`question.sure.${degree}`) ?? '';
}
