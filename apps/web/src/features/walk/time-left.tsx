import { Timer } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  /** Epoch ms on the server's clock. */
  readonly endsAt: number;
  readonly now: () => number;
  /** What stands there is given as it is. */
  readonly onOver: () => void;
}

/** Moments at which the time left is said aloud, in ms. */
const saidAtMs = [60_000, 30_000, 10_000];

/** How long a question stays open. Counted by the server; shown here. */
export function TimeLeft({ endsAt, now, onOver }: Props) {
  const [leftMs, setLeftMs] = useState(() => endsAt - now());
  const over = useRef(onOver);
  over.current = onOver;
  useEffect(() => {
    const timer = window.setInterval(() => {
      const left = endsAt - now();
      setLeftMs(Math.max(0, left));
      if (left > 0) return;
      clearInterval(timer);
      over.current();
    }, 500);
    return () => clearInterval(timer);
  }, [endsAt, now]);
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
