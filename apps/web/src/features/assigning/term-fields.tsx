import type { Terms } from '@semita/core/attempt';
import { useId } from 'react';
import { Field, Select } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly terms: Terms;
  readonly onChange: (terms: Terms) => void;
}

/** What binds students on their way, and which of their attempts counts. */
export function TermFields({ terms, onChange }: Props) {
  const set = (changed: Partial<Terms>) => onChange({ ...terms, ...changed });
  return (
    <div className="grid gap-4">
      <div className="grid gap-3 sm:grid-cols-2">
        <Term
          label={t('assign.skipping')}
          help={t('assign.skippingHelp')}
          checked={terms.skipping}
          onChange={(skipping) => set({ skipping })}
        />
        <Term
          label={t('assign.rewind')}
          help={t('assign.rewindHelp')}
          checked={terms.rewindAtStops}
          onChange={(rewindAtStops) => set({ rewindAtStops })}
        />
        <Term
          label={t('assign.turningBack')}
          help={t('assign.turningBackHelp')}
          checked={terms.turningBack ?? false}
          onChange={(turningBack) => set({ turningBack })}
        />
        <Term
          label={t('assign.whenReached')}
          help={t('assign.whenReachedHelp')}
          checked={terms.questionsWhenReached ?? false}
          onChange={(questionsWhenReached) => set({ questionsWhenReached })}
        />
        <Term
          label={t('assign.hidden')}
          help={t('assign.hiddenHelp')}
          checked={terms.hiddenUntilOpen ?? false}
          onChange={(hiddenUntilOpen) => set({ hiddenUntilOpen })}
        />
      </div>
      <div className="flex flex-wrap gap-4">
        <Field label={t('assign.maxRate')}>
          {(ids) => (
            <Select {...ids} value={terms.maxRate} onChange={(event) => set({ maxRate: Number(event.target.value) })}>
              {[1, 1.25, 1.5, 2].map((rate) => (
                <option key={rate} value={rate}>
                  {rate} ×
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label={t('assign.attempts')}>
          {(ids) => (
            <Select
              {...ids}
              value={terms.attempts ?? 1}
              onChange={(event) => set({ attempts: Number(event.target.value) })}
            >
              {[1, 2, 3, 4, 5, 10].map((count) => (
                <option key={count} value={count}>
                  {t('assign.attemptCount', { count })}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {(terms.attempts ?? 1) > 1 && (
          <Field label={t('assign.counted')}>
            {(ids) => (
              <Select
                {...ids}
                value={terms.counted ?? 'last'}
                onChange={(event) => set({ counted: event.target.value as Terms['counted'] })}
              >
                {(['last', 'best', 'first'] as const).map((one) => (
                  <option key={one} value={one}>
                    {t(`assign.counts.${one}`)}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
      </div>
    </div>
  );
}

interface TermProps {
  readonly label: string;
  readonly help: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

function Term({ label, help, checked, onChange }: TermProps) {
  const id = useId();
  return (
    <div className="grid grid-cols-[auto_1fr] gap-x-3">
      <input
        id={id}
        type="checkbox"
        className="mt-0.5 size-5 accent-main"
        aria-describedby={`${id}-help`}
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      <label htmlFor={id} className="font-medium">
        {label}
      </label>
      <p id={`${id}-help`} className="col-start-2 text-14 text-quiet">
        {help}
      </p>
    </div>
  );
}
