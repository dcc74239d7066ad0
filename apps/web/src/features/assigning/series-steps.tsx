import { dateOrderOf } from '@semita/core/calendar';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { DateTimeField } from '../../ui/date-time-field.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { MoveButtons } from '../../ui/move-buttons.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { t } from '../../words/words.ts';
import { moved, type Step, stepOf, weekApart } from './series-plan.ts';
import './words.ts';

interface Props {
  readonly steps: readonly Step[];
  readonly lessons: readonly { readonly id: string; readonly title: string }[];
  /** The clock of the class, and how it writes dates. */
  readonly timeZone: string;
  readonly locale: string;
  readonly onChange: (steps: readonly Step[]) => void;
}

/** The lessons of a series in their order, each with when it opens and is due. */
export function SeriesSteps({ steps, lessons, timeZone, locale, onChange }: Props) {
  const [said, setSaid] = useState('');
  const left = lessons.filter(({ id }) => !steps.some(({ lessonId }) => lessonId === id));
  const set = (step: Step, changed: Partial<Step>) =>
    onChange(steps.map((one) => (one === step ? { ...one, ...changed } : one)));
  const move = (index: number, by: number) => {
    onChange(moved(steps, index, by));
    setSaid(t('assign.series.movedTo', { title: steps[index]?.title, number: index + by + 1 }));
  };
  const dates = { timeZone, order: dateOrderOf(locale) };
  return (
    <fieldset className="grid gap-3">
      <legend className="mb-1 text-14 font-medium">{t('assign.series.lessons')}</legend>
      <p role="status" className="sr-only">
        {said}
      </p>
      {steps.length > 0 && (
        <ol className="divide-y divide-line rounded-card border border-line">
          {steps.map((step, index) => (
            <li key={step.lessonId} className="grid gap-3 px-4 py-3">
              <div className="flex items-center gap-2">
                <span aria-hidden className="w-6 shrink-0 font-mono text-14 text-quiet">
                  {index + 1}
                </span>
                <span className="min-w-0 grow font-medium break-words">{step.title}</span>
                <MoveButtons
                  {...{ index, count: steps.length }}
                  upLabel={t('assign.series.up', { title: step.title })}
                  downLabel={t('assign.series.down', { title: step.title })}
                  onMove={(by) => move(index, by)}
                />
                <Button
                  look="quiet"
                  size="small"
                  aria-label={t('assign.series.leaveOut', { title: step.title })}
                  onClick={() => onChange(steps.filter((one) => one !== step))}
                >
                  <X aria-hidden className="size-4" strokeWidth={1.75} />
                </Button>
              </div>
              <div className="flex flex-wrap items-end gap-x-4 gap-y-3 pl-8">
                {index > 0 && (
                  <Field label={t('assign.opens')}>
                    {(ids) => (
                      <Select
                        {...ids}
                        value={step.opens}
                        onChange={({ target }) => set(step, { opens: target.value as Step['opens'] })}
                      >
                        <option value="afterBefore">{t('assign.series.afterBefore')}</option>
                        <option value="withPoints">{t('assign.series.withPoints')}</option>
                        <option value="byDate">{t('assign.series.byDate')}</option>
                      </Select>
                    )}
                  </Field>
                )}
                {index > 0 && step.opens === 'withPoints' && (
                  <Field label={t('assign.series.percent')}>
                    {(ids) => (
                      <NumberInput
                        {...ids}
                        className="w-24"
                        required
                        min={1}
                        max={100}
                        value={step.percent}
                        onNumber={(percent) => percent !== null && set(step, { percent })}
                      />
                    )}
                  </Field>
                )}
                {(index === 0 || step.opens === 'byDate') && (
                  <DateTimeField
                    {...dates}
                    label={t(index === 0 ? 'assign.opens' : 'assign.series.opensOn')}
                    value={step.opensAt}
                    usualTime="08:00"
                    onChange={(opensAt) => set(step, { opensAt })}
                  />
                )}
                <DateTimeField
                  {...dates}
                  label={t('assign.due')}
                  value={step.dueAt}
                  usualTime="23:59"
                  onChange={(dueAt) => set(step, { dueAt })}
                />
                <div className="pb-2">
                  <CheckInput checked={step.isExtra} onChange={(isExtra) => set(step, { isExtra })}>
                    {t('assign.extra')}
                  </CheckInput>
                </div>
              </div>
            </li>
          ))}
        </ol>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <Field label={t(steps.length === 0 ? 'assign.series.first' : 'assign.series.add')}>
          {(ids) => (
            <Select
              {...ids}
              value=""
              disabled={left.length === 0}
              onChange={({ target }) => {
                const lesson = left.find(({ id }) => id === target.value);
                if (lesson) onChange([...steps, stepOf(lesson)]);
              }}
            >
              <option value="">{t(left.length === 0 ? 'assign.series.noneLeft' : 'assign.series.choose')}</option>
              {left.map(({ id, title }) => (
                <option key={id} value={id}>
                  {title}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {steps.length > 1 && (
          <Button disabled={weekApart(steps) === null} onClick={() => onChange(weekApart(steps) ?? steps)}>
            {t('assign.series.weekApart')}
          </Button>
        )}
      </div>
      <p className="text-13 text-quiet">{t('assign.series.help')}</p>
    </fieldset>
  );
}
