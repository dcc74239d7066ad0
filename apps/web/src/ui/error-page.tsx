import { Link, useRouteError } from 'react-router';
import { t } from '../words/words.ts';
import { buttonStyle } from './button.tsx';
import { ErrorNotice } from './notice.tsx';

export function ErrorPage() {
  return (
    <main className="mx-auto grid max-w-xl gap-4 p-8">
      <ErrorNotice error={useRouteError()} onRetry={() => window.location.reload()} />
    </main>
  );
}

export function NotFoundPage() {
  return (
    <main className="mx-auto grid max-w-xl justify-items-start gap-4 p-8">
      <h1 className="text-28">{t('error.notFound')}</h1>
      <Link to="/" className={buttonStyle({ look: 'main' })}>
        {t('app.back')}
      </Link>
    </main>
  );
}
