import type { ReviewOverview } from '@semita/core/contract';
import { minReviewAnswers } from '@semita/core/review';
import { lazy, Suspense } from 'react';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

const CountChart = lazy(() => import('../../ui/charts/count-chart.tsx'));

type Band = ReviewOverview['stayed']['bands'][number];

const head = 'border-b border-line py-1.5 pr-3 text-left text-13 font-medium text-quiet';

const bandWords = ({ fromDays, toDays }: Band): string =>
  toDays === null ? t('reviews.daysOn', { from: fromDays - 1 }) : t('reviews.days', { from: fromDays, to: toDays });

/** How much of what came back was still known, by how long it had been. */
export function Stayed({ stayed: { all, bands } }: Pick<ReviewOverview, 'stayed'>) {
  const told = bands.filter(({ share }) => share !== null);
  return (
    <section className="grid content-start gap-3 rounded-card border border-line bg-card p-5">
      <h2 className="text-18">{t('reviews.stayedTitle')}</h2>
      <p className="text-14">
        {all.share === null
          ? t('reviews.stayedNone', { count: minReviewAnswers })
          : t('reviews.stayedAll', { count: all.count, share: formatShare(all.share) })}
      </p>
      {told.length > 0 && (
        <Suspense>
          <CountChart
            bars={told.map((band) => ({
              words: bandWords(band),
              count: Math.round((band.share ?? 0) * 100),
              colour: 'main',
            }))}
            of={100}
            wordsOf={(percent) => formatShare(percent / 100)}
          />
        </Suspense>
      )}
      {all.count > 0 && (
        <table className="w-full text-14">
          <thead>
            <tr>
              {(['after', 'answered', 'known'] as const).map((column) => (
                <th key={column} scope="col" className={head}>
                  {t(`reviews.${column}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="divide-y divide-line">
            {bands
              .filter(({ count }) => count > 0)
              .map((band) => (
                <tr key={band.fromDays}>
                  <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                    {bandWords(band)}
                  </th>
                  <td className="py-1.5 pr-3 font-mono text-13">{band.count}</td>
                  <td className="py-1.5 font-mono text-13">
                    {band.share === null ? (
                      <span className="font-sans text-quiet">{t('reviews.tooFew')}</span>
                    ) : (
                      formatShare(band.share)
                    )}
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
