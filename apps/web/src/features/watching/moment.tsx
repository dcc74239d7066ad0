import { cueWords } from '@semita/core/captions';
import type { MaterialPart } from '@semita/core/lesson';
import { lineAt, scriptOf } from '@semita/core/script';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { pathOf } from '../../api/client.ts';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { SlideView } from '../deck/slide-view.tsx';
import { captionsOptions } from '../film/queries.ts';
import { contentOptions, contentScript } from '../reading/content.ts';
import './words.ts';

interface Props {
  readonly part: MaterialPart;
  readonly atMs: number;
}

/** What is seen and said at one place of a part. */
export function Moment({ part, atMs }: Props) {
  return (
    <aside aria-label={t('watching.place')} className="grid w-full content-start gap-2">
      {part.kind === 'clip' ? <ClipMoment part={part} atMs={atMs} /> : <ContentMoment part={part} atMs={atMs} />}
    </aside>
  );
}

function ClipMoment({ part, atMs }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const captions = useQuery(captionsOptions(part.materialId));
  const lines = scriptOf(captions.data ?? [], part.outMs);
  const said = lines[lineAt(lines, atMs)]?.text ?? null;
  useEffect(() => {
    const element = video.current;
    if (!element) return;
    const go = () => {
      element.currentTime = atMs / 1_000;
    };
    if (element.readyState >= HTMLMediaElement.HAVE_METADATA) go();
    else element.addEventListener('loadedmetadata', go, { once: true });
    return () => element.removeEventListener('loadedmetadata', go);
  }, [atMs]);
  return (
    <>
      {/* biome-ignore lint/a11y/useMediaCaption: what is said there stands under it */}
      <video
        ref={video}
        src={pathOf('streamMedia', { materialId: part.materialId })}
        controls
        preload="metadata"
        aria-label={part.title}
        className="aspect-video w-full rounded-card bg-film"
      />
      <p className="font-mono text-14 text-quiet">{formatClock(atMs)}</p>
      <p className="text-14">{said === null ? t('watching.notSaid') : cueWords(said)}</p>
    </>
  );
}

function ContentMoment({ part, atMs }: Props) {
  const content = useQuery(contentOptions(part.materialId));
  if (!content.data) return null;
  const lines = contentScript(content.data);
  const index = Math.max(0, lineAt(lines, atMs));
  const slide = content.data.slides[index];
  if (part.kind === 'deck' && slide)
    return (
      <div className="overflow-hidden rounded-card border border-line">
        <SlideView slide={slide} />
      </div>
    );
  return <p className="rounded-card border border-line bg-card p-4 text-14">{lines[index]?.text}</p>;
}
