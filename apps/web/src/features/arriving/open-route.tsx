import type { Me } from '@semita/core/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, errorWords, Loading, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { sessionOptions } from '../session/queries.ts';
import { useLeave } from '../session/use-leave.tsx';
import { ArrivalPage } from './arrival-page.tsx';
import './words.ts';

/** Where a link for guests leads: to one lesson, with no more than a name. */
export function Component() {
  const [token] = useState(() => window.location.hash.slice(1));
  const session = useQuery(sessionOptions());
  const shown = useQuery({
    queryKey: ['guest', token],
    queryFn: () => call('lookAtGuestLink', { body: { token } }),
    retry: false,
  });
  if (session.isPending || shown.isPending) return <Loading />;
  if (session.isError || shown.isError)
    return (
      <ArrivalPage title={t('arriving.openTitle')}>
        <Notice tone="attention" role="alert">
          {shown.isError ? t('arriving.openBad') : errorWords(session.error)}
        </Notice>
      </ArrivalPage>
    );
  const { title, schoolName, teacherName } = shown.data;
  const me = session.data.me;
  return (
    <ArrivalPage title={title} intro={t('arriving.openFrom', { teacher: teacherName, school: schoolName })}>
      {me ? <SomebodyIsIn me={me} /> : <ComeIn token={token} />}
    </ArrivalPage>
  );
}

function SomebodyIsIn({ me }: { readonly me: Me }) {
  const { leave, asking } = useLeave(me);
  return (
    <>
      {asking}
      <Notice tone="attention">{t('arriving.openSignedIn', { name: me.displayName })}</Notice>
      <div className="grid gap-3">
        <Link to="/" className={buttonStyle({ look: 'main', size: 'roomy' })}>
          {t('arriving.goOnAs', { name: me.displayName })}
        </Link>
        <Button size="roomy" onClick={() => void leave('signOut')}>
          {t('arriving.openSignOut', { name: me.displayName })}
        </Button>
      </div>
    </>
  );
}

function ComeIn({ token }: { readonly token: string }) {
  const queryClient = useQueryClient();
  const navigate = useNavigate();
  const form = useForm({ defaultValues: { displayName: '' } });
  const come = useMutation({
    mutationFn: (displayName: string) => call('comeAsGuest', { body: { token, displayName } }),
    onSuccess: async ({ me, assignmentId }) => {
      queryClient.clear();
      queryClient.setQueryData(sessionOptions().queryKey, { me, demo: false, isEmpty: false, now: Date.now() });
      await navigate(`/walk/${assignmentId}`, { replace: true });
    },
  });
  return (
    <form noValidate className="grid gap-4" onSubmit={form.handleSubmit(({ displayName }) => come.mutate(displayName))}>
      <Field
        label={t('arriving.guestName')}
        help={t('arriving.guestNameHelp')}
        error={form.formState.errors.displayName && t('arriving.nameMissing')}
      >
        {(ids) => (
          <TextInput
            {...ids}
            {...form.register('displayName', { validate: (text) => text.trim() !== '' })}
            autoComplete="off"
            maxLength={60}
          />
        )}
      </Field>
      <Notice title={t('arriving.guestKeptTitle')}>{t('arriving.guestKept')}</Notice>
      {come.isError && <ErrorNotice error={come.error} />}
      <Button look="main" size="roomy" type="submit" disabled={come.isPending}>
        {t('arriving.guestBegin')}
      </Button>
    </form>
  );
}
