import { type ComponentProps, useState } from 'react';
import { TextInput } from './field.tsx';

interface Props extends Omit<ComponentProps<'input'>, 'value' | 'onChange' | 'type'> {
  /** Null for an empty field. */
  readonly value: number | null;
  /** Told of what can be taken; what cannot (yet) stays in the field until it is left. */
  readonly onNumber: (value: number | null) => void;
}

/** A number as it is typed: half of one is none yet, and is not written over. */
export function NumberInput({ value, onNumber, required, onBlur, ...rest }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextInput
      {...rest}
      type="number"
      required={required}
      value={typed ?? (value === null ? '' : String(value))}
      onChange={({ target }) => {
        setTyped(target.value);
        if (!target.validity.valid) return;
        if (target.value !== '') onNumber(target.valueAsNumber);
        else if (!required) onNumber(null);
      }}
      onBlur={(event) => {
        setTyped(null);
        onBlur?.(event);
      }}
    />
  );
}
