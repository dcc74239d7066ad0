import { wordCounts, wordsLeftOut } from '@semita/core/analysis';
import { useMemo, useState } from 'react';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly texts: readonly string[];
}

/** More are no picture. */
const mostShown = 40;
const [smallestPx, largestPx] = [14, 40];

/** The words of many answers, the larger the more answers hold them; pressed, a word is left out. The list stands below. */
export function WordPicture({ texts }: Props) {
  const [own, setOwn] = useState<readonly string[]>([]);
  const counts = useMemo(() => wordCounts(texts, [...wordsLeftOut, ...own]).slice(0, mostShown), [texts, own]);
  const most = counts[0]?.count ?? 1;
  const sizeOf = (count: number) => smallestPx + ((largestPx - smallestPx) * (count - 1)) / Math.max(1, most - 1);
  if (texts.length === 0) return null;
  return (
    <section className="grid gap-3">
      <h3 className="text-16">{t('wordPicture.title', { count: texts.length })}</h3>
      <p className="flex flex-wrap items-baseline gap-x-3 gap-y-1 rounded-card border border-line p-4 leading-tight">
        {counts.map(({ word, count }) => (
          <button
            key={word}
            type="button"
            aria-label={t('wordPicture.leaveOut', { word, count })}
            title={t('wordPicture.leaveOut', { word, count })}
            onClick={() => setOwn((before) => [...before, word])}
            style={{ fontSize: sizeOf(count) }}
            className="min-h-6 rounded-control text-main hover:line-through"
          >
            {word}
          </button>
        ))}
      </p>
      {own.length > 0 && (
        <p className="flex flex-wrap items-center gap-2 text-14 text-quiet">
          {t('wordPicture.leftOut')}
          {own.map((word) => (
            <button
              key={word}
              type="button"
              aria-label={t('wordPicture.putBack', { word })}
              onClick={() => setOwn((before) => before.filter((one) => one !== word))}
              className="min-h-6 rounded-control px-1 underline"
            >
              {word}
            </button>
          ))}
        </p>
      )}
      <details className="text-14">
        <summary className="cursor-pointer text-quiet">{t('wordPicture.list')}</summary>
        <table className="mt-2 w-full">
          <thead>
            <tr className="text-left text-13 text-quiet">
              <th scope="col" className="pb-1 font-medium">
                {t('wordPicture.word')}
              </th>
              <th scope="col" className="pb-1 text-right font-medium">
                {t('wordPicture.answers')}
              </th>
            </tr>
          </thead>
          <tbody className="divide-y divide-line border-y border-line">
            {counts.map(({ word, count }) => (
              <tr key={word}>
                <th scope="row" className="py-1 text-left font-normal">
                  {word}
                </th>
                <td className="text-right font-mono text-13">{count}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
