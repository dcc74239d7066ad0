import { Link, useRouteError } from 'react-router';
import { t } from '../words/words.ts';
import { Button, buttonStyle } from './button.tsx';
import { errorWords } from './notice.tsx';

/** In place of a page: what happened, and the two ways on. */
export function ErrorScreen({ error, onRetry }: { readonly error: unknown; readonly onRetry: () => void }) {
  return (
    <div className="mx-auto grid w-full max-w-xl justify-items-start gap-4 px-6 py-16">
      <h1 className="text-28">{t('error.title')}</h1>
      <p role="alert">{errorWords(error)}</p>
      <div className="flex gap-3">
        <Button look="main" onClick={onRetry}>
          {t('error.retry')}
        </Button>
        <Link to="/" className={buttonStyle()}>
          {t('app.back')}
        </Link>
      </div>
    </div>
  );
}

export function ErrorPage() {
  return (
    <main>
      <ErrorScreen error={useRouteError()} onRetry={() => window.location.reload()} />
    </main>
  );
}

export function NotFoundPage() {
  return (
    <main className="mx-auto grid max-w-xl justify-items-start gap-4 px-6 py-16">
      <h1 className="text-28">{t('error.notFound')}</h1>
      <Link to="/" className={buttonStyle({ look: 'main' })}>
        {t('app.back')}
      </Link>
    </main>
  );
}
