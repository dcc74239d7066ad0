import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly title: string;
  readonly help: string;
  readonly verb: string;
  readonly done: string;
  /** With what stands in the link. */
  readonly act: (token: string) => Promise<unknown>;
}

/** Where a link in a mail leads: one button, and no signing in. A mail program that looks ahead presses nothing. */
export function MailLinkPage({ title, help, verb, done, act }: Props) {
  const [token] = useState(() => window.location.hash.slice(1));
  const press = useMutation({ mutationFn: () => act(token) });
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-lg content-start gap-6 px-5 py-10 md:py-16">
      <div className="grid gap-2">
        <img src="/semita.svg" alt="" className="size-10" />
        <h1 className="text-28">{title}</h1>
        <p className="text-quiet">{help}</p>
      </div>
      {press.isError && (
        <Notice tone="danger" role="alert">
          {t('notices.badLink')}
        </Notice>
      )}
      {press.isSuccess ? (
        <>
          <Notice role="status">{done}</Notice>
          <div>
            <Link to="/" className={buttonStyle()}>
              {t('notices.home')}
            </Link>
          </div>
        </>
      ) : (
        <div>
          <Button look="main" size="roomy" disabled={press.isPending || token === ''} onClick={() => press.mutate()}>
            {verb}
          </Button>
        </div>
      )}
    </main>
  );
}
