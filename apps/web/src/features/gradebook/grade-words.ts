import { type GradebookCell, type Total, type UsedCell, wholeOf } from '@semita/core/gradebook';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** Percent and, where the scale has one, its name: `78% · B`. */
export function totalWords({ percent, name }: Pick<Total, 'percent' | 'name'>): string {
  if (percent === null) return t('gradebook.none');
  return [t('gradebook.percent', { percent }), ...(name === null ? [] : [name])].join(' · ');
}

/** What stands in a cell, short. */
export function cellWords(cell: GradebookCell | null): string {
  if (!cell) return '';
  if (cell.override) return formatPoints(cell.override.earned);
  if (cell.isExcused) return t('gradebook.excused');
  if (cell.state === 'notBegun') return cell.isMissing ? t('gradebook.missing') : t('gradebook.none');
  if (cell.waiting && cell.possible === 0) return t('gradebook.toMark');
  return formatPoints(cell.earned);
}

/** Everything there is to say of a cell, for who does not see it. */
export function wholeCellWords(cell: GradebookCell | null, used: UsedCell | undefined): string {
  if (!cell) return t('gradebook.notGiven');
  const { override, state, latePercent } = cell;
  const points = t('stop.points', {
    earned: formatPoints(override?.earned ?? cell.earned),
    possible: formatPoints(override ? wholeOf(cell) : cell.possible),
  });
  return [
    ...(state === 'notBegun' && !override ? [t('gradebook.notBegun')] : [points]),
    ...(override ? [t('gradebook.byHand')] : []),
    ...(cell.isExcused ? [t('gradebook.excused')] : []),
    ...(cell.isMissing ? [t('gradebook.missing')] : []),
    ...(state === 'underWay' ? [t('gradebook.underWay')] : []),
    ...(latePercent ? [t('gradebook.lateLess', { percent: latePercent })] : cell.isLate ? [t('gradebook.late')] : []),
    ...(cell.waiting ? [t('gradebook.toMark')] : []),
    ...(cell.attempts ? [t('gradebook.attempts', { count: cell.attempts })] : []),
    ...(used?.use === 'dropped' ? [t('gradebook.dropped')] : []),
  ].join(', ');
}
