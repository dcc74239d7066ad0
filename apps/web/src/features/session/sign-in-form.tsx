import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ApiError } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './sign-in-words.ts';

interface SignIn {
  name: string;
  password: string;
  school?: string;
}

/** Name and password; and the school, where they fit at several. */
export function SignInForm({ onDone }: { readonly onDone: () => unknown }) {
  const form = useForm<SignIn>({
    defaultValues: { name: '', password: '' },
  });
  const signIn = useMutation({
    mutationFn: (body: SignIn) => call('signIn', { body }),
    onSuccess: onDone,
  });
  const { errors } = form.formState;
  const schools = schoolsOf(signIn.error);
  const [asked, setAsked] = useState<readonly string[]>([]);
  if (schools.length > 0 && asked !== schools) setAsked(schools);
  return (
    <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((values) => signIn.mutate(values))}>
      {signIn.isError && <ErrorNotice error={signIn.error} />}
      <Field label={t('signIn.name')} help={t('signIn.nameHelp')} error={errors.name && t('signIn.nameMissing')}>
        {(ids) => (
          <TextInput
            {...ids}
            {...form.register('name', { required: true })}
            autoComplete="username"
            autoCapitalize="none"
            className="h-11"
          />
        )}
      </Field>
      <Field label={t('signIn.password')} error={errors.password && t('signIn.passwordMissing')}>
        {(ids) => (
          <TextInput
            {...ids}
            {...form.register('password', { required: true })}
            type="password"
            autoComplete="current-password"
            className="h-11"
          />
        )}
      </Field>
      {asked.length > 0 && (
        <Field label={t('signIn.school')}>
          {(ids) => (
            <Select {...ids} {...form.register('school')} className="h-11 w-full">
              {asked.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </Select>
          )}
        </Field>
      )}
      <Button look="main" size="roomy" type="submit" disabled={signIn.isPending}>
        {t('signIn.submit')}
      </Button>
    </form>
  );
}

/** The schools among which somebody has to say theirs; none where that is not what is missing. */
function schoolsOf(error: unknown): readonly string[] {
  if (!(error instanceof ApiError) || error.code !== 'schoolNeeded') return noSchools;
  return (error.detail as { readonly schools: readonly string[] }).schools;
}

const noSchools: readonly string[] = [];
