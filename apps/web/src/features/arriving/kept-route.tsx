import { Link } from 'react-router';
import { t } from '../../words/words.ts';
import './kept-words.ts';

const sections = [
  { of: 'what', items: ['account', 'work', 'way', 'marks', 'signIns'] },
  { of: 'who', items: ['teachers', 'self', 'school', 'nobody'] },
  { of: 'long', items: ['year', 'removed', 'backups'] },
  { of: 'get', items: ['copy', 'erase'] },
] as const;

/** What is kept of a child, on one page, for anybody who asks. */
export function Component() {
  return (
    <main className="min-h-dvh bg-paper">
      <div className="mx-auto grid max-w-2xl content-start gap-6 px-5 py-10">
        <h1 className="text-28">{t('kept.title')}</h1>
        {sections.map(({ of, items }) => (
          <section key={of} className="grid gap-2">
            <h2 className="text-18">{t(`kept.${of}.title`)}</h2>
            <ul className="grid list-disc gap-1.5 pl-5">
              {items.map((item) => (
                <li key={item}>{t(`kept.${of}.items.${item}` as Parameters<typeof t>[0])}</li>
              ))}
            </ul>
          </section>
        ))}
        <p>
          <Link to="/" className="text-main underline">
            {t('kept.back')}
          </Link>
        </p>
      </div>
    </main>
  );
}
