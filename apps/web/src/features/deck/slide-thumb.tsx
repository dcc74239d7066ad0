import type { Slide } from '@semita/core/deck';
import { useEffect, useRef, useState } from 'react';
import { SlideView } from './slide-view.tsx';

/** How far outside of what is in sight slides are drawn already. */
const near = '400px';

/** A slide small beside its words, to find a place by. Drawn once it comes near to what is in sight. */
export function SlideThumb({ slide }: { readonly slide: Slide }) {
  const frame = useRef<HTMLSpanElement>(null);
  const [isNear, setIsNear] = useState(false);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new IntersectionObserver(
      (entries) => {
        if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
        setIsNear(true);
        observer.disconnect();
      },
      { rootMargin: near },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return (
    <span
      ref={frame}
      aria-hidden
      inert
      className="pointer-events-none block w-32 shrink-0 overflow-hidden rounded-control border border-line bg-card"
      style={{ aspectRatio: `${slide.width} / ${slide.height}` }}
    >
      {isNear && <SlideView slide={slide} />}
    </span>
  );
}
