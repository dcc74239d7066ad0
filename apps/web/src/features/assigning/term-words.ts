import type { Terms } from '@semita/core/attempt';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** Terms as sentences, each of which says one thing. */
export function termWords(terms: Terms): string[] {
  const { late, shown, attempts = 1, counted = 'last', worth, category } = terms;
  return [
    t(terms.skipping ? 'terms.skippingOn' : 'terms.skippingOff'),
    t(terms.rewindAtStops ? 'terms.rewindOn' : 'terms.rewindOff'),
    ...(terms.turningBack ? [t('terms.turningBack')] : []),
    ...(terms.questionsWhenReached ? [t('terms.whenReached')] : []),
    t('terms.rate', { rate: terms.maxRate }),
    ...(terms.hiddenUntilOpen ? [t('terms.hidden')] : []),
    ...(terms.isExtra ? [t('terms.extra')] : []),
    ...(attempts > 1 ? [`${t('assign.attemptCount', { count: attempts })}, ${t(`terms.counts.${counted}`)}`] : []),
    ...(late?.kind === 'refused' ? [t('terms.lateRefused')] : []),
    ...(late?.kind === 'worthLess'
      ? [
          t('terms.lateWorthLess', { percent: late.percentEachDay, most: late.maxPercent }) +
            (late.graceMinutes > 0 ? ` ${t('terms.grace', { time: graceWords(late.graceMinutes) })}` : ''),
        ]
      : []),
    ...(worth === undefined ? [] : [t('terms.worth', { count: worth / 100, points: formatPoints(worth) })]),
    ...(category ? [t('terms.category', { name: category })] : []),
    ...(['points', 'feedback', 'keys'] as const).flatMap((what) => {
      const when = shown?.[what] ?? 'atOnce';
      return when === 'atOnce' ? [] : [t(`terms.shows.${what}`, { when: t(`assign.shownThen.${when}`) })];
    }),
  ];
}

/** How long after the due date nothing is taken off. */
export function graceWords(minutes: number): string {
  if (minutes === 0) return t('assign.noGrace');
  if (minutes % 1_440 === 0) return t('assign.graceDays', { count: minutes / 1_440 });
  return minutes % 60 === 0
    ? t('assign.graceHours', { count: minutes / 60 })
    : t('assign.graceMinutes', { count: minutes });
}
