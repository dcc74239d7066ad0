import { classLocales } from '@semita/core/contract';
import type { ComponentProps } from 'react';
import { Select } from './field.tsx';

/** In which language numbers are written: 3.2 or 3,2. */
export function NumberLanguageSelect(props: ComponentProps<'select'>) {
  const names = new Intl.DisplayNames(['en'], { type: 'language' });
  return (
    <Select {...props}>
      {classLocales.map((one) => (
        <option key={one} value={one}>
          {names.of(one)} ({new Intl.NumberFormat(one).format(1234.5)})
        </option>
      ))}
    </Select>
  );
}
