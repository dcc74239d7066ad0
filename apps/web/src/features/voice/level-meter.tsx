import { useEffect, useRef } from 'react';
import { t } from '../../words/words.ts';

/** How loud the microphone is, ten times a second: enough to see, and no more work than that. */
export function LevelMeter({ levelNow }: { readonly levelNow: () => number }) {
  const meter = useRef<HTMLMeterElement>(null);
  useEffect(() => {
    const timer = window.setInterval(() => {
      if (meter.current) meter.current.value = levelNow();
    }, 100);
    return () => clearInterval(timer);
  }, [levelNow]);
  return (
    <meter ref={meter} className="h-3 w-full" min={0} max={1} low={0.08} optimum={0.5} aria-label={t('voice.level')} />
  );
}
