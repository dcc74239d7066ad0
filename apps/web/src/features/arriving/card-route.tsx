import type { Me } from '@semita/core/contract';
import { readCardWords } from '@semita/core/roster';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, Loading, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { sessionOptions } from '../session/queries.ts';
import { useLeave } from '../session/use-leave.tsx';
import { ArrivalPage, useArrive } from './arrival-page.tsx';
import './words.ts';

/** Where the square of a card leads, and where its words are typed. */
export function Component() {
  const [token] = useState(() => window.location.hash.slice(1));
  const session = useQuery(sessionOptions());
  useEffect(() => {
    // The next one at this device must not come in by going back.
    if (token !== '') window.history.replaceState(window.history.state, '', '/card');
  }, [token]);
  if (session.isPending) return <Loading />;
  const me = session.data?.me;
  return me ? <SomebodyIsIn me={me} /> : <ComeIn token={token} />;
}

/** A card is held up where somebody else is at work, or still: whose it is goes on, or leaves as one leaves. */
function SomebodyIsIn({ me }: { readonly me: Me }) {
  const { leave, asking } = useLeave(me);
  return (
    <ArrivalPage title={t('arriving.cardTitle')}>
      {asking}
      <Notice tone="attention">{t('arriving.cardOther', { name: me.displayName })}</Notice>
      <div className="grid gap-3">
        <Link to="/" className={buttonStyle({ look: 'main', size: 'roomy' })}>
          {t('arriving.goOnAs', { name: me.displayName })}
        </Link>
        <Button size="roomy" onClick={() => void leave('signOut')}>
          {t('arriving.useCard', { name: me.displayName })}
        </Button>
      </div>
    </ArrivalPage>
  );
}

function ComeIn({ token }: { readonly token: string }) {
  const arrive = useArrive();
  const form = useForm({ defaultValues: { words: '' } });
  const { mutate, isPending, isError, error } = useMutation({
    mutationFn: (body: { token: string } | { words: string }) => call('signInByCard', { body }),
    onSuccess: arrive,
  });
  useEffect(() => {
    if (token !== '') mutate({ token });
  }, [token, mutate]);
  const isLooking = token !== '' && !isError;
  return (
    <ArrivalPage title={t('arriving.cardTitle')} {...(isLooking ? {} : { intro: t('arriving.cardIntro') })}>
      {isError && <ErrorNotice error={error} />}
      {isLooking ? (
        <p role="status" className="text-18">
          {t('arriving.cardLooking')}
        </p>
      ) : (
        <form noValidate className="grid gap-4" onSubmit={form.handleSubmit(({ words }) => mutate({ words }))}>
          <Field label={t('arriving.cardWords')} error={form.formState.errors.words && t('arriving.cardWordsMissing')}>
            {(ids) => (
              <TextInput
                {...ids}
                {...form.register('words', { validate: (text) => readCardWords(text) !== null })}
                className="h-14 text-22"
                autoComplete="off"
                autoCapitalize="none"
                spellCheck={false}
                maxLength={100}
              />
            )}
          </Field>
          <Button look="main" size="roomy" type="submit" disabled={isPending}>
            {t('arriving.cardGo')}
          </Button>
          <Link to="/sign-in" className="text-14 text-main hover:underline">
            {t('arriving.toSignIn')}
          </Link>
        </form>
      )}
    </ArrivalPage>
  );
}
