import { toLocal } from '@semita/core/calendar';
import { useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { panelStyle } from './panel-style.ts';
import { type ClassView, colleaguesOptions, useClassChange } from './queries.ts';
import './words.ts';

interface Values {
  teacherId: string;
  from: string;
  until: string;
}

/** Who stands in for the teachers of a class, and when. */
export function Substitutes({ of: { id: classId, substitutes, teachers, timeZone } }: { readonly of: ClassView }) {
  const colleagues = useQuery(colleaguesOptions());
  const others = (colleagues.data ?? []).filter(({ id }) => !teachers.some((one) => one.id === id));
  const today = toLocal(Date.now(), timeZone).slice(0, 10);
  const form = useForm<Values>({ defaultValues: { teacherId: '', from: today, until: today } });
  const add = useClassChange(
    (body: Values) => call('addSubstitute', { params: { classId }, body }),
    () => form.reset(),
  );
  const end = useClassChange((substitutionId: string) =>
    call('removeSubstitute', { params: { classId, substitutionId } }),
  );
  return (
    <section className={panelStyle}>
      <h2 className="text-18">{t('classes.substitutesTitle')}</h2>
      <p className="text-14 text-quiet">{t('classes.substitutesHelp')}</p>
      {substitutes.length > 0 && (
        <ul className="divide-y divide-line">
          {substitutes.map(({ id, displayName: name, since, until }) => (
            <li key={id} className="flex min-h-10 flex-wrap items-center gap-x-3 text-14">
              <span className="font-medium">{name}</span>
              <span className="grow text-quiet">
                {t('classes.standsInFor', {
                  from: formatInstant(since, timeZone),
                  until: formatInstant(until - 1_000, timeZone),
                })}
              </span>
              <Button
                size="small"
                look="quiet"
                disabled={end.isPending}
                aria-label={t('classes.endOf', { name })}
                onClick={() => end.mutate(id)}
              >
                {t('classes.end')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {others.length === 0 ? (
        <p className="text-14 text-quiet">{t('classes.noColleagues')}</p>
      ) : (
        <form
          className="grid gap-3 sm:grid-cols-[1fr_auto_auto]"
          onSubmit={form.handleSubmit((values) => add.mutate(values))}
        >
          <Field label={t('classes.chooseTeacher')}>
            {(ids) => (
              <Select {...ids} required className="w-full" {...form.register('teacherId')}>
                <option value="" />
                {others.map(({ id, displayName }) => (
                  <option key={id} value={id}>
                    {displayName}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field label={t('classes.from')}>
            {(ids) => <TextInput {...ids} type="date" required className="h-9 text-14" {...form.register('from')} />}
          </Field>
          <Field label={t('classes.until')}>
            {(ids) => <TextInput {...ids} type="date" required className="h-9 text-14" {...form.register('until')} />}
          </Field>
          <div className="sm:col-span-3">
            <Button type="submit" disabled={add.isPending}>
              {t('classes.addSubstitute')}
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}
