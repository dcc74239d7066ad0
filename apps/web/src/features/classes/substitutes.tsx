import { dateOrderOf, localDay } from '@semita/core/calendar';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { DateTimeField, unreadableDate } from '../../ui/date-time-field.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { formatDate } from '../../words/format.ts';
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
export function Substitutes({ of }: { readonly of: ClassView }) {
  const { id: classId, substitutes, teachers, timeZone, locale } = of;
  const colleagues = useQuery(colleaguesOptions());
  const others = (colleagues.data ?? []).filter(({ id }) => !teachers.some((one) => one.id === id));
  const today = localDay(Date.now(), timeZone);
  const nobody: Values = { teacherId: '', from: today, until: today };
  const [values, setValues] = useState(nobody);
  const days = { timeZone, order: dateOrderOf(locale), usualTime: null };
  const isSound = ![values.from, values.until].some((day) => day === '' || day === unreadableDate);
  const add = useClassChange(
    (body: Values) => call('addSubstitute', { params: { classId }, body }),
    () => setValues(nobody),
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
                  from: formatDate(since, timeZone),
                  until: formatDate(until - 1_000, timeZone),
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
          className="grid items-start gap-3 sm:grid-cols-2"
          onSubmit={(event) => {
            event.preventDefault();
            add.mutate(values);
          }}
        >
          <div className="sm:col-span-2">
            <Field label={t('classes.chooseTeacher')}>
              {(ids) => (
                <Select
                  {...ids}
                  required
                  className="w-full"
                  value={values.teacherId}
                  onChange={(event) => setValues({ ...values, teacherId: event.target.value })}
                >
                  <option value="" />
                  {others.map(({ id, displayName }) => (
                    <option key={id} value={id}>
                      {displayName}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          </div>
          <DateTimeField
            {...days}
            label={t('classes.from')}
            value={values.from}
            onChange={(from) => setValues({ ...values, from })}
          />
          <DateTimeField
            {...days}
            label={t('classes.until')}
            value={values.until}
            onChange={(until) => setValues({ ...values, until })}
          />
          <div className="sm:col-span-2">
            <Button type="submit" disabled={add.isPending || !isSound}>
              {t('classes.addSubstitute')}
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}
