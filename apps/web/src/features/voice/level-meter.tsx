import { useEffect, useRef } from 'react';
import { t } from '../../words/words.ts';
import './recorder-words.ts';

/** How loud the microphone is, ten times a second: enough to see, and no more work than that. */
export function LevelMeter({ levelNow }: { readonly levelNow: () => number }) {
  const meter = useRef<HTMLMeterElement>(null);
  const bar = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const timer = window.setInterval(() => {
      const level = levelNow();
      if (meter.current) meter.current.value = level;
      if (bar.current) bar.current.style.width = `${level * 100}%`;
    }, 100);
    return () => clearInterval(timer);
  }, [levelNow]);
  return (
    <div className="relative h-3 overflow-hidden rounded-full border border-edge bg-card">
      <meter ref={meter} className="sr-only" min={0} max={1} aria-label={t('voice.level')} />
      <div ref={bar} className="h-full w-0 bg-spruce transition-[width] duration-100" />
      <span aria-hidden className="absolute inset-y-0 left-1/4 w-px bg-edge" />
    </div>
  );
}
