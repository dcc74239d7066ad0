import type { StopMark, StopMarkState } from '@semita/core/sheet';
import type { ReactNode } from 'react';
import { formatPoints } from '../words/format.ts';
import { t } from '../words/words.ts';

interface Props {
  readonly mark: Pick<StopMark, 'state'> & Partial<StopMark>;
  /** Edge in px. */
  readonly size?: number;
  /** What the mark is of, for screen readers and on hover. */
  readonly of?: string;
}

/** The state of a stop: shape first, colour second, word on hover and for screen readers. Drawn here and nowhere else. */
export function StateMark({ mark, size = 16, of }: Props) {
  const share = mark.possible ? (mark.earned ?? 0) / mark.possible : 0;
  const label = stateWords(mark, of);
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} role="img" aria-label={label} className="inline-block shrink-0">
      <title>{label}</title>
      {shapes[mark.state](share)}
    </svg>
  );
}

export function stateWords({ state, earned = 0, possible = 0 }: Props['mark'], of?: string): string {
  const word = t(`state.${state}`);
  const points =
    state === 'partial' || state === 'none' || state === 'full'
      ? `, ${t('stop.points', { earned: formatPoints(earned), possible: formatPoints(possible) })}`
      : '';
  return `${of ? `${of}: ` : ''}${word}${points}`;
}

const shapes: Record<StopMarkState, (share: number) => ReactNode> = {
  ahead: () => <rect x="5" y="7" width="6" height="2" rx="1" fill="var(--color-edge)" />,
  open: () => (
    <>
      <circle cx="8" cy="8" r="6" fill="none" stroke="var(--color-main)" strokeWidth="1.75" />
      <circle cx="8" cy="8" r="3" fill="var(--color-main)" />
    </>
  ),
  waiting: () => <path d="M8 1.5 14.5 8 8 14.5 1.5 8Z" fill="var(--color-marigold)" />,
  full: () => <circle cx="8" cy="8" r="6.5" fill="var(--color-spruce)" />,
  // Filled from the left by its share: the spruce half-plane, cut by the disc.
  partial: (share) => (
    <>
      <circle cx="8" cy="8" r="6" fill="var(--color-spruce-tint)" stroke="var(--color-spruce)" strokeWidth="1.25" />
      <path d={discFromLeft(share)} fill="var(--color-spruce)" />
    </>
  ),
  none: () => <circle cx="8" cy="8" r="5.5" fill="none" stroke="var(--color-brick)" strokeWidth="2" />,
  noted: () => (
    <path
      d="m3 8.5 3.5 3.5L13 4.5"
      fill="none"
      stroke="var(--color-slate)"
      strokeWidth="2.25"
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  ),
  passed: () => <path d="M11.5 3 4.5 13" stroke="var(--color-edge)" strokeWidth="2" strokeLinecap="round" />,
};

/** The part of a disc (centre 8,8, radius 6) left of a vertical line at `share` of its width. */
function discFromLeft(share: number): string {
  const x = 2 + 12 * Math.min(1, Math.max(0, share));
  const half = Math.sqrt(Math.max(0, 36 - (x - 8) ** 2));
  return `M${x} ${8 - half} A6 6 0 ${share > 0.5 ? 1 : 0} 0 ${x} ${8 + half} Z`;
}
