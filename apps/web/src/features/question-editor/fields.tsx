import { useState } from 'react';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';

interface NumberProps {
  readonly label: string;
  readonly value: number | null;
  readonly min?: number;
  readonly max?: number;
  readonly step?: number | 'any';
  readonly suffix?: string;
  readonly className?: string;
  /** Told every number that is allowed, and null where the field is emptied and may be. */
  readonly onChange: (value: number) => void;
  readonly onEmpty?: () => void;
}

/** A number in a form; what cannot be one is not passed on, and is gone when the field is left. */
export function NumberInput(props: NumberProps) {
  const { label, value, min, max, step = 1, suffix, className, onChange, onEmpty } = props;
  const [text, setText] = useState<string | null>(null);
  return (
    <Field label={label}>
      {(ids) => (
        <span className="flex items-center gap-1.5">
          <TextInput
            {...ids}
            type="number"
            {...{ min, max, step }}
            className={joinClasses('h-9 w-24 font-mono text-14', className)}
            value={text ?? value ?? ''}
            onChange={(event) => {
              setText(event.target.value);
              const number = event.target.valueAsNumber;
              if (event.target.value === '') onEmpty?.();
              else if (event.target.validity.rangeUnderflow || event.target.validity.rangeOverflow) return;
              else if (Number.isFinite(number)) onChange(number);
            }}
            onBlur={() => setText(null)}
          />
          {suffix && <span className="text-14 text-quiet">{suffix}</span>}
        </span>
      )}
    </Field>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
}

export function SelectInput<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  return (
    <Field label={label}>
      {(ids) => (
        <Select {...ids} className="w-full" value={value} onChange={(event) => onChange(event.target.value as T)}>
          {options.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}
