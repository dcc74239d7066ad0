import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { ErrorNotice, errorWords, Loading } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AccountFields, type AccountValues, noAccount } from './account-fields.tsx';
import { ArrivalPage, useArrive } from './arrival-page.tsx';
import './words.ts';

/** Where the link of an invitation leads: what it holds stands behind the #, which browsers send nowhere. */
export function Component() {
  const [token] = useState(() => window.location.hash.slice(1));
  const held = useQuery({
    queryKey: ['invitation', token],
    queryFn: () => call('lookAtInvitation', { body: { token } }),
    retry: false,
  });
  if (held.isPending) return <Loading />;
  if (held.isError)
    return (
      <ArrivalPage title={t('arriving.badInvitation')} intro={errorWords(held.error)}>
        <div>
          <Link to="/" className={buttonStyle({ size: 'roomy' })}>
            {t('arriving.toSignIn')}
          </Link>
        </div>
      </ArrivalPage>
    );
  const { schoolName, displayName, email } = held.data;
  return (
    <ArrivalPage title={t('arriving.invitedTitle', { school: schoolName })} intro={t('arriving.invitedIntro')}>
      <AcceptForm token={token} known={{ displayName, email }} />
    </ArrivalPage>
  );
}

interface AcceptProps {
  readonly token: string;
  readonly known: Pick<AccountValues, 'displayName' | 'email'>;
}

function AcceptForm({ token, known }: AcceptProps) {
  const arrive = useArrive();
  const form = useForm<AccountValues>({ defaultValues: { ...noAccount, ...known } });
  const accept = useMutation({
    mutationFn: ({ userName: _, ...body }: AccountValues) => call('acceptInvitation', { body: { ...body, token } }),
    onSuccess: arrive,
  });
  return (
    <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((values) => accept.mutate(values))}>
      <AccountFields of="teacher" register={form.register} errors={form.formState.errors} />
      {accept.isError && <ErrorNotice error={accept.error} />}
      <Button look="main" size="roomy" type="submit" disabled={accept.isPending}>
        {t('arriving.come')}
      </Button>
    </form>
  );
}
