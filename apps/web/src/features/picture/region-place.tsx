import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { whenKnown } from '../film/when-known.ts';
import { type Content, contentOptions, contentScript } from '../reading/content.ts';
import { openPages, type Pages, rasterFrame, rasterPicture, rasterSlide } from './raster.ts';
import type { RegionSource } from './region-source.ts';
import './words.ts';

interface Props {
  readonly source: RegionSource;
  /** What there is to cut from; null while it is being drawn. */
  readonly onDrawn: (canvas: HTMLCanvasElement | null) => void;
}

/** Chooses the frame, the page, the slide or the picture, and draws it. */
export function RegionPlace({ source, onDrawn }: Props) {
  if (source.kind === 'frames') return <FramePlace source={source} onDrawn={onDrawn} />;
  if (source.kind === 'pages') return <PagePlace source={source} onDrawn={onDrawn} />;
  return <ContentPlace source={source} onDrawn={onDrawn} />;
}

function FramePlace({ source, onDrawn }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const [atMs, setAtMs] = useState(() => Math.min(Math.max(source.nowMs(), source.inMs), source.outMs));
  const goTo = (ms: number) => {
    setAtMs(ms);
    onDrawn(null);
    if (video.current) video.current.currentTime = ms / 1000;
  };
  const latest = useRef(() => goTo(atMs));
  latest.current = () => goTo(atMs);
  useEffect(() => (video.current ? whenKnown(video.current, () => latest.current()) : undefined), []);
  return (
    <div className="flex items-center gap-3">
      {/* Not shown: what it shows is drawn below. */}
      <video
        ref={video}
        src={pathOf('streamMedia', { materialId: source.materialId })}
        preload="auto"
        muted
        playsInline
        className="hidden"
        onSeeked={({ currentTarget }) => onDrawn(rasterFrame(currentTarget))}
      />
      <label className="flex grow items-center gap-3 text-14">
        {t('picture.frame')}
        <input
          type="range"
          className="grow accent-main"
          min={source.inMs}
          max={source.outMs}
          step={100}
          value={atMs}
          aria-valuetext={formatClock(atMs, { tenths: true })}
          onChange={(event) => goTo(Number(event.target.value))}
        />
      </label>
      <span className="font-mono text-13">{formatClock(atMs, { tenths: true })}</span>
    </div>
  );
}

function PagePlace({ source, onDrawn }: Props) {
  const [pages, setPages] = useState<Pages | null>(null);
  const [hasFailed, setHasFailed] = useState(false);
  const { materialId } = source;
  useEffect(() => {
    const opening = openPages(pathOf('streamMedia', { materialId }));
    opening.then(setPages, () => setHasFailed(true));
    // Its thread ends with it.
    return () => void opening.then((opened) => opened.close()).catch(() => undefined);
  }, [materialId]);
  if (hasFailed) return <p role="alert">{t('picture.noPages')}</p>;
  if (!pages) return null;
  const { count, raster } = pages;
  return <NumberPlace label={t('picture.page')} count={count} first={1} draw={raster} onDrawn={onDrawn} />;
}

function ContentPlace({ source, onDrawn }: Props) {
  const content = useQuery(contentOptions(source.materialId));
  return (
    <QueryView query={content}>
      {(data) =>
        source.kind === 'slides' ? (
          <NumberPlace
            label={t('picture.slide')}
            count={data.slides.length}
            first={Math.max(1, contentScript(data).findIndex((line) => line.startMs >= source.inMs) + 1)}
            draw={(number) => rasterSlide(data.slides[number - 1] as Content['slides'][0])}
            onDrawn={onDrawn}
          />
        ) : (
          <PicturePlace content={data} onDrawn={onDrawn} />
        )
      }
    </QueryView>
  );
}

interface NumberProps {
  readonly label: string;
  readonly count: number;
  readonly first: number;
  readonly draw: (number: number) => Promise<HTMLCanvasElement>;
  readonly onDrawn: Props['onDrawn'];
}

function NumberPlace({ label, count, first, draw, onDrawn }: NumberProps) {
  const [number, setNumber] = useState(first);
  const latest = useRef({ draw, onDrawn });
  latest.current = { draw, onDrawn };
  useEffect(() => {
    let isWanted = true;
    latest.current.onDrawn(null);
    void latest.current.draw(number).then((canvas) => {
      if (isWanted) latest.current.onDrawn(canvas);
    });
    return () => {
      isWanted = false;
    };
  }, [number]);
  return (
    <label className="flex items-center gap-3 text-14">
      {label}
      <input
        type="number"
        className="h-9 w-20 rounded-control border border-edge bg-card px-2 font-mono"
        min={1}
        max={count}
        value={number}
        onChange={(event) => {
          const next = Math.round(event.target.valueAsNumber);
          if (next >= 1 && next <= count) setNumber(next);
        }}
      />
      <span className="text-quiet">{t('picture.of', { count })}</span>
    </label>
  );
}

function PicturePlace({ content, onDrawn }: { readonly content: Content; readonly onDrawn: Props['onDrawn'] }) {
  const [images] = useState(() => {
    const html = content.blocks.map((block) => block.html).join('');
    const found = new DOMParser().parseFromString(html, 'text/html').querySelectorAll('img');
    return [...found].map((image) => ({ src: image.getAttribute('src') ?? '', alt: image.alt }));
  });
  const [chosen, setChosen] = useState(0);
  const latest = useRef(onDrawn);
  latest.current = onDrawn;
  const src = images[chosen]?.src;
  useEffect(() => {
    latest.current(null);
    if (src) void rasterPicture(src).then((canvas) => latest.current(canvas));
  }, [src]);
  if (images.length === 0) return <p className="text-quiet">{t('picture.none')}</p>;
  return (
    <div className="flex flex-wrap gap-2">
      {images.map((image, index) => (
        <button
          key={image.src}
          type="button"
          aria-pressed={index === chosen}
          onClick={() => setChosen(index)}
          className={joinClasses(
            'rounded-control border-2 p-0.5',
            index === chosen ? 'border-main' : 'border-transparent',
          )}
        >
          <img src={image.src} alt={image.alt || t('picture.number', { number: index + 1 })} className="h-14" />
        </button>
      ))}
    </div>
  );
}
