import { formatNumber } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { pickable } from './choice-field.tsx';
import type { FieldProps } from './field-props.ts';

/** Scales with more places than this are a rail; shorter ones have each place to press. */
const maxPlaces = 11;

/** A value between two ends. Nothing is set until the student sets it. */
export function ScaleField({ question, response, onChange, labelledBy }: FieldProps<'slider'>) {
  const { least, most, step, leastLabel, mostLabel } = question;
  const value = response?.kind === 'scale' ? response.value : null;
  const count = Math.floor((most - least) / step) + 1;
  const set = (next: number) => onChange({ kind: 'scale', value: next });
  const ends = (
    <div className="flex justify-between gap-4 text-14 text-quiet">
      <span>{leastLabel}</span>
      <span className="text-right">{mostLabel}</span>
    </div>
  );
  if (count <= maxPlaces)
    return (
      <div role="radiogroup" aria-labelledby={labelledBy} className="grid gap-1">
        <div className="flex flex-wrap gap-1.5">
          {Array.from({ length: count }, (_, index) => least + index * step).map((place, index) => (
            <label
              key={place}
              className={`${pickable(place === value)} grow justify-center px-2 has-focus-visible:outline-2`}
            >
              <input
                type="radio"
                name={question.id}
                className="sr-only"
                aria-label={[formatNumber(place), index === 0 && leastLabel, index === count - 1 && mostLabel]
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
          min={least}
          max={most}
          step={step}
          value={value ?? (least + most) / 2}
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
