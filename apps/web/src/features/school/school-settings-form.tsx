import type { School, SchoolSettings } from '@semita/core/contract';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { NumberLanguageSelect } from '../../ui/number-language-select.tsx';
import { TimeZoneSelect } from '../../ui/time-zone-select.tsx';
import { t } from '../../words/words.ts';
import { useSchoolChange } from './use-school-change.ts';
import './words.ts';

/** What the school is called, and what new classes begin with. */
export function SchoolSettingsForm({ school }: { readonly school: School }) {
  const { name, timeZone, locale } = school;
  const form = useForm<SchoolSettings>({ defaultValues: { name, timeZone, locale: locale as 'en' } });
  const save = useSchoolChange(
    (body: SchoolSettings) => call('changeSchool', { body }),
    () => toast(t('school.saved')),
  );
  return (
    <form
      className="grid content-start gap-4 rounded-card border border-line bg-card p-5"
      onSubmit={form.handleSubmit((values) => save.mutate(values))}
    >
      <h2 className="text-18">{t('school.about')}</h2>
      <Field label={t('school.schoolName')}>
        {(ids) => <TextInput {...ids} required maxLength={100} {...form.register('name')} />}
      </Field>
      <Field label={t('school.timeZone')}>
        {(ids) => <TimeZoneSelect {...ids} current={timeZone} className="w-full" {...form.register('timeZone')} />}
      </Field>
      <Field label={t('school.numbers')}>
        {(ids) => <NumberLanguageSelect {...ids} className="w-full" {...form.register('locale')} />}
      </Field>
      <div>
        <Button look="main" type="submit" disabled={save.isPending}>
          {t('school.save')}
        </Button>
      </div>
    </form>
  );
}
