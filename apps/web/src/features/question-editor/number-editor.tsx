import type { NumericTolerance } from '@semita/core/question';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import type { EditorProps } from './editor-props.ts';
import { NumberInput, SelectInput } from './fields.tsx';
import './words.ts';

/** A number with its unit, and how near is near enough. */
export function NumberEditor({ question, onChange }: EditorProps<'numeric'>) {
  const { value, unit, tolerance } = question;
  const toleranceOf: Record<NumericTolerance['kind'], () => NumericTolerance> = {
    exact: () => ({ kind: 'exact' }),
    absolute: () => ({ kind: 'absolute', by: 0.1 }),
    relative: () => ({ kind: 'relative', percent: 5 }),
  };
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <NumberInput
          label={t('editor.value')}
          value={value}
          step="any"
          className="w-32"
          onChange={(next) => onChange({ ...question, value: next })}
        />
        <Field label={t('editor.unit')}>
          {(ids) => (
            <TextInput
              {...ids}
              className="h-9 w-24 text-14"
              maxLength={40}
              placeholder={t('editor.unitHint')}
              value={unit}
              onChange={(event) => onChange({ ...question, unit: event.target.value })}
            />
          )}
        </Field>
        <SelectInput
          label={t('editor.tolerance')}
          value={tolerance.kind}
          options={[
            ['exact', t('editor.exact')],
            ['absolute', t('editor.absolute')],
            ['relative', t('editor.relative')],
          ]}
          onChange={(kind) => onChange({ ...question, tolerance: toleranceOf[kind]() })}
        />
        {tolerance.kind === 'absolute' && (
          <NumberInput
            label={t('editor.by')}
            value={tolerance.by}
            min={0}
            step="any"
            suffix={unit}
            onChange={(by) => onChange({ ...question, tolerance: { kind: 'absolute', by } })}
          />
        )}
        {tolerance.kind === 'relative' && (
          <NumberInput
            label={t('editor.by')}
            value={tolerance.percent}
            min={0}
            max={100}
            step="any"
            suffix="%"
            onChange={(percent) => onChange({ ...question, tolerance: { kind: 'relative', percent } })}
          />
        )}
        <NumberInput
          label={t('editor.figures')}
          value={question.significantFigures ?? null}
          min={1}
          max={15}
          onEmpty={() => onChange({ ...question, significantFigures: undefined })}
          onChange={(significantFigures) => onChange({ ...question, significantFigures })}
        />
      </div>
      {unit !== '' && (
        <CheckInput checked={question.unitNeeded} onChange={(unitNeeded) => onChange({ ...question, unitNeeded })}>
          {t('editor.unitNeeded')}
        </CheckInput>
      )}
    </div>
  );
}
