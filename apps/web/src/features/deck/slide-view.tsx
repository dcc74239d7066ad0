import type { Slide } from '@semita/core/deck';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';

/** Inside the slide's own box our styles do not reach; these few make it begin from nothing, as it was drawn. */
const ground = `:host{all:initial;display:block;position:absolute;inset:0;overflow:hidden;contain:strict}
.slide{position:absolute;top:0;left:0;overflow:hidden;transform-origin:top left;background:#fff;color:#000;font-family:Arial,sans-serif}
img{max-width:100%}p{margin:0}`;

/** A slide as it was drawn, scaled as a whole to the width there is. */
export function SlideView({ slide }: { readonly slide: Pick<Slide, 'html' | 'width' | 'height' | 'title'> }) {
  const frame = useRef<HTMLDivElement>(null);
  const host = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(0);
  const { html, width, height } = slide;

  useLayoutEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setScale(element.clientWidth / width));
    observer.observe(element);
    return () => observer.disconnect();
  }, [width]);

  useEffect(() => {
    const element = host.current;
    if (!element) return;
    const root = element.shadowRoot ?? element.attachShadow({ mode: 'open' });
    // Cleaned by the server's one sanitiser of slides when the deck was brought in.
    root.innerHTML = `<style>${ground}</style><div class="slide" style="width:${width}px;height:${height}px;transform:scale(${scale})">${html}</div>`;
  }, [html, width, height, scale]);

  return (
    <div ref={frame} className="relative w-full overflow-hidden" style={{ aspectRatio: `${width} / ${height}` }}>
      <div ref={host} />
    </div>
  );
}
