import { keptChoices, type School, type SchoolSettings } from '@semita/core/contract';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { NumberLanguageSelect } from '../../ui/number-language-select.tsx';
import { TimeZoneSelect } from '../../ui/time-zone-select.tsx';
import { t } from '../../words/words.ts';
import { useSchoolChange } from './use-school-change.ts';
import './words.ts';

interface Values extends Omit<SchoolSettings, 'keptMonths'> {
  readonly kept: string;
}

/** What the school is called, and what new classes begin with. */
export function SchoolSettingsForm({ school }: { readonly school: School }) {
  const { name, timeZone, locale, keptMonths, quietFrom, quietUntil } = school;
  const form = useForm<Values>({
    defaultValues: {
      name,
      timeZone,
      locale: locale as 'en',
      quietFrom,
      quietUntil,
      kept: keptMonths === null ? '' : String(keptMonths),
    },
  });
  const save = useSchoolChange(
    (body: SchoolSettings) => call('changeSchool', { body }),
    () => toast(t('school.saved')),
  );
  return (
    <form
      className="grid content-start gap-4 rounded-card border border-line bg-card p-5"
      onSubmit={form.handleSubmit(({ kept, ...values }) =>
        save.mutate({ ...values, keptMonths: kept === '' ? null : (Number(kept) as (typeof keptChoices)[number]) }),
      )}
    >
      <h2 className="text-18">{t('school.aboutSchool')}</h2>
      <Field label={t('school.schoolName')}>
        {(ids) => <TextInput {...ids} required maxLength={100} {...form.register('name')} />}
      </Field>
      <Field label={t('school.timeZone')}>
        {(ids) => <TimeZoneSelect {...ids} current={timeZone} className="w-full" {...form.register('timeZone')} />}
      </Field>
      <Field label={t('school.numbers')}>
        {(ids) => <NumberLanguageSelect {...ids} className="w-full" {...form.register('locale')} />}
      </Field>
      <Field label={t('school.kept')} help={t('school.keptHelp')}>
        {(ids) => (
          <Select {...ids} className="w-full" {...form.register('kept')}>
            <option value="">{t('school.keptForEver')}</option>
            {keptChoices.map((months) => (
              <option key={months} value={months}>
                {months < 12
                  ? t('school.keptMonths', { count: months })
                  : t('school.keptYears', { count: months / 12 })}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <div className="grid grid-cols-2 gap-4">
        {(['quietFrom', 'quietUntil'] as const).map((end) => (
          <Field key={end} label={t(`school.${end}`)}>
            {(ids) => <TextInput {...ids} type="time" required {...form.register(end)} />}
          </Field>
        ))}
      </div>
      <p className="text-14">
        <Link to="/kept" className="text-main underline">
          {t('school.whatIsKept')}
        </Link>
      </p>
      <div>
        <Button look="main" type="submit" disabled={save.isPending}>
          {t('school.save')}
        </Button>
      </div>
    </form>
  );
}
