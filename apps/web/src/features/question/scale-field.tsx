import { formatNumber } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { pickable } from './choice-field.tsx';
import type { FieldProps } from './field-props.ts';
import './words.ts';

/** Scales with more places than this are a rail; shorter ones have each place to press. */
const maxPlaces = 11;

/** A value between two ends. Nothing is set until the student sets it. */
export function ScaleField({ question, response, onChange, labelledBy }: FieldProps<'slider'>) {
  const { min, max, step, minLabel, maxLabel } = question;
  const value = response?.kind === 'scale' ? response.value : null;
  const count = Math.floor((max - min) / step) + 1;
  const set = (next: number) => onChange({ kind: 'scale', value: next });
  const ends = (
    <div className="flex justify-between gap-4 text-14 text-quiet">
      <span>{minLabel}</span>
      <span className="text-right">{maxLabel}</span>
    </div>
  );
  if (count <= maxPlaces)
    return (
      <div role="radiogroup" aria-labelledby={labelledBy} className="grid gap-1">
        <div className="flex flex-wrap gap-1.5">
          {Array.from({ length: count }, (_, index) => min + index * step).map((place, index) => (
            <label
              key={place}
              className={`${pickable(place === value)} grow justify-center px-2 has-focus-visible:outline-2`}
            >
              <input
                type="radio"
                name={question.id}
                className="sr-only"
                aria-label={[formatNumber(place), index === 0 && minLabel, index === count - 1 && maxLabel]
                  .filter(Boolean)
                  .join(', ')}
                checked={place === value}
                onChange={() => set(place)}
              />
              <span aria-hidden className="font-mono">
                {formatNumber(place)}
              </span>
            </label>
          ))}
        </div>
        {ends}
      </div>
    );
  return (
    <div className="grid gap-1">
      <div className="flex items-center gap-3">
        <input
          type="range"
          aria-labelledby={labelledBy}
          aria-valuetext={value === null ? t('question.notSet') : formatNumber(value)}
          className="h-11 grow accent-main"
          min={min}
          max={max}
          step={step}
          value={value ?? (min + max) / 2}
          onChange={(event) => set(event.target.valueAsNumber)}
          // A click on the middle, where the thumb waits, is an answer too.
          onPointerUp={(event) => set(event.currentTarget.valueAsNumber)}
        />
        <output className="w-16 text-right font-mono">{value === null ? '–' : formatNumber(value)}</output>
      </div>
      {ends}
    </div>
  );
}
