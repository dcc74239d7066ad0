import type { Inset } from '@semita/core/lesson';
import { scriptOf } from '@semita/core/script';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { FilmStage } from '../film/film-stage.tsx';
import { captionsOptions } from '../film/queries.ts';
import { whenKnown } from '../film/when-known.ts';

/** A film or a sound that stands inside a text. It holds nobody up. */
export function InsetView({ inset }: { readonly inset: Inset }) {
  const captions = useQuery(captionsOptions(inset.materialId));
  const [lengthMs, setLengthMs] = useState(0);
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    const element = video.current;
    if (element) return whenKnown(element, () => setLengthMs(element.duration * 1000));
  }, []);
  const src = pathOf('streamMedia', { materialId: inset.materialId });
  return (
    <figure className="my-6">
      {lengthMs > 0 ? (
        <FilmStage
          src={src}
          title={inset.title}
          inMs={0}
          outMs={lengthMs}
          startMs={0}
          limitMs={lengthMs}
          lines={scriptOf(captions.data ?? [], lengthMs)}
          maxRate={2}
        />
      ) : (
        // How long it is is asked of the file itself.
        // biome-ignore lint/a11y/useMediaCaption: it is not played; the stage has the captions
        <video ref={video} src={src} preload="metadata" className="aspect-video w-full rounded-card bg-film" />
      )}
      <figcaption className="mt-1 text-14 text-quiet">{inset.title}</figcaption>
    </figure>
  );
}
