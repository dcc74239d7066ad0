import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowRight } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Navigate } from 'react-router';
import { ApiError } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, Loading } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { demoPeopleOptions, sessionOptions } from './queries.ts';

export function Component() {
  const session = useQuery(sessionOptions());
  if (session.isPending) return <Loading />;
  if (session.data?.me) return <Navigate to="/" replace />;
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-5xl content-start gap-10 px-5 py-10 md:content-center md:grid-cols-2 md:gap-16">
      <section className="grid content-start gap-6">
        <div className="grid gap-2">
          <img src="/semita.svg" alt="" className="size-10" />
          <h1 className="text-36">{t('app.name')}</h1>
          <p className="text-18 text-quiet">{t('signIn.tagline')}</p>
        </div>
        <SignInForm />
      </section>
      {session.data?.demo && <DemoDoor />}
    </main>
  );
}

function useEnter() {
  const queryClient = useQueryClient();
  return () => queryClient.invalidateQueries(sessionOptions());
}

interface SignIn {
  name: string;
  password: string;
  school?: string;
}

function SignInForm() {
  const enter = useEnter();
  const form = useForm<SignIn>({
    defaultValues: { name: '', password: '' },
  });
  const signIn = useMutation({
    mutationFn: (body: SignIn) => call('signIn', { body }),
    onSuccess: enter,
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

function DemoDoor() {
  const enter = useEnter();
  const people = useQuery(demoPeopleOptions());
  const go = useMutation({
    mutationFn: (personId: string) => call('enterDemo', { body: { personId } }),
    onSuccess: enter,
  });
  const group = (role: 'teacher' | 'student') => (people.data ?? []).filter((person) => person.roles.includes(role));
  return (
    <section aria-labelledby="demo" className="grid content-start gap-5 rounded-card border border-line bg-card p-6">
      <h2 id="demo" className="text-22">
        {t('signIn.demoTitle')}
      </h2>
      {(['teacher', 'student'] as const).map((role) => (
        <div key={role} className="grid gap-2">
          <h3 className="text-14 text-quiet">
            {t(role === 'teacher' ? 'signIn.demoTeachers' : 'signIn.demoStudents')}
          </h3>
          {group(role).map((person) => (
            <button
              key={person.id}
              type="button"
              disabled={go.isPending}
              onClick={() => go.mutate(person.id)}
              className="flex min-h-11 items-center gap-3 rounded-control border border-line px-4 py-2 text-left hover:border-main hover:bg-main-tint"
            >
              <span className="grow">
                <span className="block font-medium">{person.displayName}</span>
                <span className="block text-14 text-quiet">{person.story}</span>
              </span>
              <ArrowRight aria-hidden className="size-4 text-quiet" strokeWidth={1.75} />
            </button>
          ))}
        </div>
      ))}
    </section>
  );
}

/** The schools among which somebody has to say theirs; none where that is not what is missing. */
function schoolsOf(error: unknown): readonly string[] {
  if (!(error instanceof ApiError) || error.code !== 'schoolNeeded') return noSchools;
  return (error.detail as { readonly schools: readonly string[] }).schools;
}

const noSchools: readonly string[] = [];
