import { timeLimitGraceMs } from '@semita/core';
import { Timer } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';

interface Props {
  /** Epoch ms on the server's clock. */
  readonly closesAt: number;
  readonly now: () => number;
  /**
   * What stands there is given as it is: when the time is up, and once more when the server takes nothing new, for
   * what could not be given before because something was still blank.
   */
  readonly onOver: () => void;
}

/** Moments at which the time left is said aloud, in ms. */
const saidAtMs = [60_000, 30_000, 10_000];

/** How long the questions stay open. Counted by the server; shown here. */
export function TimeLeft({ closesAt, now, onOver }: Props) {
  const [leftMs, setLeftMs] = useState(() => closesAt - now());
  const over = useRef(onOver);
  over.current = onOver;
  useEffect(() => {
    const momentsMs = [0, -timeLimitGraceMs - 1_000];
    const timer = window.setInterval(() => {
      const left = closesAt - now();
      setLeftMs(Math.max(0, left));
      if (left > (momentsMs[0] ?? Number.NEGATIVE_INFINITY)) return;
      momentsMs.shift();
      if (momentsMs.length === 0) clearInterval(timer);
      over.current();
    }, 500);
    return () => clearInterval(timer);
  }, [closesAt, now]);
  const said = saidAtMs.findLast((at) => leftMs <= at);
  return (
    <div className="flex items-center gap-2 text-14">
      <Timer aria-hidden className="size-4 text-marigold-ink" strokeWidth={1.75} />
      <span aria-hidden>
        {t('walk.timeLeft')} <span className="font-mono">{formatClock(leftMs)}</span>
      </span>
      <span role="timer" aria-live="polite" className="sr-only">
        {said ? t('walk.timeLeftSaid', { count: said / 1000 }) : ''}
      </span>
    </div>
  );
}
