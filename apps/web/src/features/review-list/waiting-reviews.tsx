import type { WaitingReview } from '@semita/core/contract';
import { History } from 'lucide-react';
import { Link } from 'react-router';
import { buttonStyle } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

const minute = 60_000;

/** What comes back to a student today, above what is due: a few minutes, and never an obligation. */
export default function WaitingReviews({ reviews }: { readonly reviews: readonly WaitingReview[] }) {
  return (
    <section aria-label={t('review.title')} className="grid gap-3">
      <ul className="grid gap-3">
        {reviews.map(({ classId, className, questionCount, answeringMs, begun }) => (
          <li
            key={classId}
            className="flex flex-wrap items-center gap-x-4 gap-y-3 rounded-card border border-line bg-main-tint px-5 py-4"
          >
            <History aria-hidden className="size-6 shrink-0 text-main" strokeWidth={1.75} />
            <div className="grid min-w-0 grow basis-56 gap-0.5">
              <h2 className="text-18">{t('review.title')}</h2>
              <p className="text-14">
                {className} ·{' '}
                {begun ? t('review.left', { count: questionCount }) : t('review.questions', { count: questionCount })}
                {answeringMs !== null &&
                  `, ${t('review.minutes', { count: Math.max(1, Math.round(answeringMs / minute)) })}`}
              </p>
              <p className="text-14 text-quiet">{t('review.lead')}</p>
            </div>
            <Link
              to={`/review/${classId}`}
              aria-label={t('app.verbOn', {
                verb: begun ? t('review.goOn') : t('review.begin'),
                title: `${t('review.title')}, ${className}`,
              })}
              className={buttonStyle({ size: 'roomy' })}
            >
              {begun ? t('review.goOn') : t('review.begin')}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
