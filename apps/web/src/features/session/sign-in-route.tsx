import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowRight } from 'lucide-react';
import { Link, Navigate } from 'react-router';
import { call } from '../../api/client.ts';
import { Loading, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { demoPeopleOptions, sessionOptions } from './queries.ts';
import { SignInForm } from './sign-in-form.tsx';
import './sign-in-words.ts';

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
        {session.data?.isEmpty ? <Notice title={t('signIn.emptyTitle')}>{t('signIn.empty')}</Notice> : <Ways />}
      </section>
      {session.data?.demo && <DemoDoor />}
    </main>
  );
}

/** By name and password, by a card, or by the code of a class. */
function Ways() {
  const enter = useEnter();
  return (
    <>
      <SignInForm onDone={enter} />
      <p className="flex flex-wrap gap-x-6 gap-y-2 text-14">
        <Link to="/card" className="text-main hover:underline">
          {t('signIn.card')}
        </Link>
        <Link to="/join" className="text-main hover:underline">
          {t('signIn.code')}
        </Link>
      </p>
    </>
  );
}

function useEnter() {
  const queryClient = useQueryClient();
  return () => queryClient.invalidateQueries(sessionOptions());
}

function DemoDoor() {
  const enter = useEnter();
  const people = useQuery(demoPeopleOptions());
  const go = useMutation({
    mutationFn: (personId: string) => call('enterDemo', { body: { personId } }),
    onSuccess: enter,
  });
  const group = (role: 'teacher' | 'student') =>
    (people.data ?? []).filter((person) => person.roles.includes('student') === (role === 'student'));
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
