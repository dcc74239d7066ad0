import type { UseFormRegister } from 'react-hook-form';
import { Field, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** A window as forms hold it: local date-times, empty for no limit. */
export interface WindowValues {
  opensAt: string;
  dueAt: string;
  closesAt: string;
}

/** Opens, due, closes, on the clock of the class. */
export function WindowFields({
  register,
  timeZone,
}: {
  readonly register: UseFormRegister<WindowValues>;
  readonly timeZone: string;
}) {
  const fields = [
    ['opensAt', t('assign.opens')],
    ['dueAt', t('assign.due')],
    ['closesAt', t('assign.closes')],
  ] as const;
  return (
    <div className="grid gap-3">
      {fields.map(([name, label]) => (
        <Field key={name} label={label}>
          {(ids) => <TextInput {...ids} type="datetime-local" className="h-9 text-14" {...register(name)} />}
        </Field>
      ))}
      <p className="text-13 text-quiet">{t('assign.zone', { zone: timeZone })}</p>
    </div>
  );
}

/** What the contract takes: null for no limit. */
export function toWindow({ opensAt, dueAt, closesAt }: WindowValues) {
  return { opensAt: opensAt || null, dueAt: dueAt || null, closesAt: closesAt || null };
}
