import type { BodyOf, routes } from '@semita/core/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type FieldErrors, type UseFormRegister, useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, Loading, Notice } from '../../ui/notice.tsx';
import { NumberLanguageSelect } from '../../ui/number-language-select.tsx';
import { TimeZoneSelect } from '../../ui/time-zone-select.tsx';
import { t } from '../../words/words.ts';
import { sessionOptions } from '../session/queries.ts';
import { AccountFields, type AccountValues, noAccount } from './account-fields.tsx';
import { ArrivalPage, useArrive } from './arrival-page.tsx';
import './words.ts';

type SetUp = BodyOf<(typeof routes)['setUpSchool']>;

interface Values extends AccountValues {
  schoolName: string;
  timeZone: string;
  locale: SetUp['locale'];
  teaches: boolean;
}

/** The first page of a new installation. */
export function Component() {
  const session = useQuery(sessionOptions());
  const [secret] = useState(() => window.location.hash.slice(1));
  if (session.isError) return <ErrorNotice error={session.error} onRetry={() => void session.refetch()} />;
  if (!session.data) return <Loading />;
  if (!session.data.isEmpty)
    return (
      <ArrivalPage title={t('arriving.isSetUpTitle')} intro={t('arriving.isSetUp')}>
        <div>
          <Link to="/" className={buttonStyle({ look: 'main', size: 'roomy' })}>
            {t('arriving.toSignIn')}
          </Link>
        </div>
      </ArrivalPage>
    );
  return (
    <ArrivalPage title={t('arriving.setUpTitle')} intro={t('arriving.setUpIntro')}>
      {secret === '' ? (
        <Notice tone="attention" title={t('arriving.noSecretTitle')}>
          {t('arriving.noSecret')}
        </Notice>
      ) : (
        <SetUpForm secret={secret} />
      )}
    </ArrivalPage>
  );
}

function SetUpForm({ secret }: { readonly secret: string }) {
  const arrive = useArrive();
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  const form = useForm<Values>({
    defaultValues: { ...noAccount, schoolName: '', timeZone, locale: 'en', teaches: true },
  });
  const setUp = useMutation({
    mutationFn: ({ userName: _, ...body }: Values) => call('setUpSchool', { body: { ...body, secret } }),
    onSuccess: arrive,
  });
  const { errors } = form.formState;
  return (
    <form noValidate className="grid gap-8" onSubmit={form.handleSubmit((values) => setUp.mutate(values))}>
      <fieldset className="grid gap-4">
        <legend className="mb-3 font-heading text-18">{t('arriving.schoolPart')}</legend>
        <Field label={t('arriving.schoolName')} error={errors.schoolName && t('arriving.schoolNameMissing')}>
          {(ids) => (
            <TextInput
              {...ids}
              {...form.register('schoolName', { validate: (text) => text.trim() !== '' })}
              className="h-11"
              autoComplete="organization"
              maxLength={100}
            />
          )}
        </Field>
        <div className="grid items-start gap-4 sm:grid-cols-2">
          <Field label={t('arriving.timeZone')} help={t('arriving.timeZoneHelp')}>
            {(ids) => (
              <TimeZoneSelect {...ids} current={timeZone} className="h-11 w-full" {...form.register('timeZone')} />
            )}
          </Field>
          <Field label={t('arriving.numbers')}>
            {(ids) => <NumberLanguageSelect {...ids} className="h-11 w-full" {...form.register('locale')} />}
          </Field>
        </div>
      </fieldset>
      <fieldset className="grid gap-4">
        <legend className="mb-3 font-heading text-18">{t('arriving.youPart')}</legend>
        <AccountFields
          of="teacher"
          register={form.register as unknown as UseFormRegister<AccountValues>}
          errors={errors as FieldErrors<AccountValues>}
        />
        <div className="grid grid-cols-[auto_1fr] gap-x-3">
          <input
            id="teaches"
            type="checkbox"
            className="mt-0.5 size-5 accent-main"
            aria-describedby="teaches-help"
            {...form.register('teaches')}
          />
          <label htmlFor="teaches" className="font-medium">
            {t('arriving.teaches')}
          </label>
          <p id="teaches-help" className="col-start-2 text-14 text-quiet">
            {t('arriving.teachesHelp')}
          </p>
        </div>
      </fieldset>
      {setUp.isError && <ErrorNotice error={setUp.error} />}
      <Button look="main" size="roomy" type="submit" disabled={setUp.isPending}>
        {t('arriving.setUp')}
      </Button>
    </form>
  );
}
