import type { Joinable, Me } from '@semita/core/contract';
import { readJoinCode } from '@semita/core/roster';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { ClassMark } from '../../ui/class-mark.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, errorWords, Loading, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { sessionOptions } from '../session/queries.ts';
import { SignInForm } from '../session/sign-in-form.tsx';
import { useLeave } from '../session/use-leave.tsx';
import { AccountFields, type AccountValues, noAccount } from './account-fields.tsx';
import { ArrivalPage, useArrive } from './arrival-page.tsx';
import './words.ts';

/** `/join` asks for a code; `/join/CODE`, as it stands in a link or a square, shows what it is a code of. */
export function Component() {
  const { code } = useParams();
  return code === undefined ? <CodeForm /> : <WithCode key={code} code={code} />;
}

function CodeForm() {
  const navigate = useNavigate();
  const form = useForm({ defaultValues: { code: '' } });
  return (
    <ArrivalPage title={t('arriving.joinTitle')} intro={t('arriving.joinIntro')}>
      <form
        noValidate
        className="grid gap-4"
        onSubmit={form.handleSubmit(({ code }) => navigate(`/join/${readJoinCode(code) ?? ''}`))}
      >
        <Field
          label={t('arriving.code')}
          help={t('arriving.codeHelp')}
          error={form.formState.errors.code && t('arriving.codeMissing')}
        >
          {(ids) => (
            <TextInput
              {...ids}
              {...form.register('code', { validate: (text) => readJoinCode(text) !== null })}
              className="h-14 text-center font-mono text-28 uppercase"
              autoComplete="off"
              autoCapitalize="characters"
              spellCheck={false}
              maxLength={300}
            />
          )}
        </Field>
        <Button look="main" size="roomy" type="submit">
          {t('arriving.look')}
        </Button>
        <Link to="/sign-in" className="text-14 text-main hover:underline">
          {t('arriving.toSignIn')}
        </Link>
      </form>
    </ArrivalPage>
  );
}

function WithCode({ code }: { readonly code: string }) {
  const session = useQuery(sessionOptions());
  const shown = useQuery({
    queryKey: ['joining', code],
    queryFn: () => call('lookAtCode', { body: { code } }),
    retry: false,
  });
  if (session.isPending || shown.isPending) return <Loading />;
  if (session.isError || shown.isError)
    return (
      <ArrivalPage title={t('arriving.joinTitle')}>
        <Notice tone="attention" role="alert">
          {errorWords(session.error ?? shown.error)}
        </Notice>
        <div>
          <Link to="/join" className={buttonStyle({ size: 'roomy' })}>
            {t('arriving.otherCode')}
          </Link>
        </div>
      </ArrivalPage>
    );
  const { me } = session.data;
  return shown.data.kind === 'school' ? (
    <JoinSchool code={code} school={shown.data} me={me} />
  ) : (
    <JoinClass code={code} shown={shown.data} me={me} />
  );
}

interface JoinProps<Kind extends Joinable['kind']> {
  readonly code: string;
  readonly shown: Extract<Joinable, { kind: Kind }>;
  readonly me: Me | null;
}

function JoinClass({ code, shown, me }: JoinProps<'class'>) {
  const title = (
    <span className="flex items-center gap-3">
      <ClassMark {...shown} className="size-12" />
      <span className="grid">
        {shown.name}
        <span className="font-sans text-16 font-normal text-quiet">
          {t('arriving.at', { school: shown.schoolName })}
        </span>
      </span>
    </span>
  );
  return (
    <ArrivalPage title={title}>
      {shown.asks && <Notice>{t('arriving.asks')}</Notice>}
      {!me ? (
        <Strangers code={code} />
      ) : me.roles.includes('student') ? (
        <JoinAs code={code} me={me} />
      ) : (
        <Notice tone="attention">{t('arriving.isStudentOnly', { name: me.displayName })}</Notice>
      )}
    </ArrivalPage>
  );
}

/** Somebody who is signed in: one press. */
function JoinAs({ code, me }: { readonly code: string; readonly me: Me }) {
  const arrive = useArrive();
  const join = useMutation({ mutationFn: () => call('join', { body: { code } }), onSuccess: arrive });
  const { leave, asking } = useLeave(me);
  return (
    <div className="grid gap-3">
      {asking}
      {join.isError && <ErrorNotice error={join.error} />}
      <Button look="main" size="roomy" disabled={join.isPending} onClick={() => join.mutate()}>
        {t('arriving.joinAs', { name: me.displayName })}
      </Button>
      <Button size="roomy" onClick={() => void leave('signOut')}>
        {t('arriving.notMe')}
      </Button>
    </div>
  );
}

/** Somebody who is not signed in: they have an account, or make one. */
function Strangers({ code }: { readonly code: string }) {
  const queryClient = useQueryClient();
  const [isNew, setIsNew] = useState(true);
  return (
    <div className="grid gap-5">
      <div className="grid grid-cols-2 gap-2">
        {[true, false].map((one) => (
          <Button
            key={String(one)}
            size="roomy"
            aria-pressed={isNew === one}
            look={isNew === one ? 'main' : 'plain'}
            onClick={() => setIsNew(one)}
          >
            {t(one ? 'arriving.amNew' : 'arriving.haveAccount')}
          </Button>
        ))}
      </div>
      {isNew ? (
        <NewStudent code={code} />
      ) : (
        <SignInForm onDone={() => queryClient.invalidateQueries(sessionOptions())} />
      )}
    </div>
  );
}

function NewStudent({ code }: { readonly code: string }) {
  const arrive = useArrive();
  const form = useForm<AccountValues>({ defaultValues: noAccount });
  const join = useMutation({
    mutationFn: ({ email: _, ...body }: AccountValues) => call('joinAsNew', { body: { ...body, code } }),
    onSuccess: arrive,
  });
  return (
    <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((values) => join.mutate(values))}>
      <AccountFields of="student" register={form.register} errors={form.formState.errors} />
      {join.isError && <ErrorNotice error={join.error} />}
      <Button look="main" size="roomy" type="submit" disabled={join.isPending}>
        {t('arriving.joinNew')}
      </Button>
    </form>
  );
}

interface JoinSchoolProps {
  readonly code: string;
  readonly school: Extract<Joinable, { kind: 'school' }>;
  readonly me: Me | null;
}

function JoinSchool({ code, school, me }: JoinSchoolProps) {
  const arrive = useArrive();
  const form = useForm<AccountValues>({ defaultValues: noAccount });
  const join = useMutation({
    mutationFn: ({ userName: _, ...body }: AccountValues) => call('joinAsTeacher', { body: { ...body, code } }),
    onSuccess: arrive,
  });
  return (
    <ArrivalPage title={t('arriving.teachersTitle', { school: school.schoolName })} intro={t('arriving.teachersIntro')}>
      {me ? (
        <Notice tone="attention">{t('arriving.already', { name: me.displayName })}</Notice>
      ) : (
        <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((values) => join.mutate(values))}>
          <AccountFields of="teacher" register={form.register} errors={form.formState.errors} />
          {join.isError && <ErrorNotice error={join.error} />}
          <Button look="main" size="roomy" type="submit" disabled={join.isPending}>
            {t('arriving.come')}
          </Button>
        </form>
      )}
    </ArrivalPage>
  );
}
