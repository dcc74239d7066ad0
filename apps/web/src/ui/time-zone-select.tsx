import type { ComponentProps } from 'react';
import { Select } from './field.tsx';

/** Clocks of the world, by their IANA names; the one that is set stands among them, whatever this browser knows. */
export function TimeZoneSelect({ current, ...rest }: ComponentProps<'select'> & { readonly current: string }) {
  const names = [...new Set([...Intl.supportedValuesOf('timeZone'), 'UTC', current])].toSorted();
  return (
    <Select {...rest}>
      {names.map((name) => (
        <option key={name} value={name}>
          {name.replaceAll('_', ' ')}
        </option>
      ))}
    </Select>
  );
}
