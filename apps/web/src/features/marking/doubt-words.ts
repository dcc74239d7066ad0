import type { SheetRow } from '@semita/core/sheet';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** A few seconds are the jitter of players and clocks. */
const minDoubtMs = 5_000;

/** What of a student's work the program does not vouch for, in sentences; none for most. */
export function doubtWords({
  cutMs,
  hiddenMs,
  lateAnswers,
  waitingSteps,
}: Pick<SheetRow, 'cutMs' | 'hiddenMs' | 'lateAnswers' | 'waitingSteps'>): string[] {
  return [
    ...(waitingSteps > 0 ? [t('sheet.doubtWaiting', { count: waitingSteps })] : []),
    ...(lateAnswers > 0 ? [t('sheet.doubtLate', { count: lateAnswers })] : []),
    ...(cutMs >= minDoubtMs ? [t('sheet.doubt', { time: formatClock(cutMs) })] : []),
    ...(hiddenMs >= minDoubtMs ? [t('sheet.doubtHidden', { time: formatClock(hiddenMs) })] : []),
  ];
}
