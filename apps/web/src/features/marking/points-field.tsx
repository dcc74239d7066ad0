import type { ComponentProps } from 'react';
import { Field, TextInput } from '../../ui/field.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props extends ComponentProps<'input'> {
  /** The most that can be given, in hundredths. */
  readonly possible: number;
}

/** Points as teachers give them: whole or halves. */
export function PointsField({ possible, ...input }: Props) {
  return (
    <Field label={t('student.givePoints', { possible: formatPoints(possible) })}>
      {(ids) => (
        <TextInput
          {...ids}
          type="number"
          min={0}
          max={possible / 100}
          step={0.5}
          required
          className="h-9 font-mono"
          {...input}
        />
      )}
    </Field>
  );
}
