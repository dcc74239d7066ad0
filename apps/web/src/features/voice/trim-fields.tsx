import { useEffect, useRef, useState } from 'react';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './recorder-words.ts';

interface Props {
  readonly blob: Blob;
  readonly lengthMs: number;
  readonly isFilm: boolean;
  readonly onChange: (window: { readonly startMs: number; readonly endMs: number }) => void;
}

/** Nothing shorter is worth hearing. */
const shortestMs = 300;

/** A recording to listen to, and where it begins and ends. */
export function TrimFields({ blob, lengthMs, isFilm, onChange }: Props) {
  const [src, setSrc] = useState<string | null>(null);
  const [window, setWindow] = useState({ startMs: 0, endMs: lengthMs });
  const player = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    const address = URL.createObjectURL(blob);
    setSrc(address);
    return () => URL.revokeObjectURL(address);
  }, [blob]);
  const set = (next: typeof window, placeMs: number) => {
    setWindow(next);
    onChange(next);
    if (player.current) player.current.currentTime = placeMs / 1000;
  };
  const edges = [
    {
      label: t('voice.startsAt'),
      value: window.startMs,
      set: (ms: number) => set({ ...window, startMs: Math.max(0, Math.min(ms, window.endMs - shortestMs)) }, ms),
    },
    {
      label: t('voice.endsAt'),
      value: window.endMs,
      set: (ms: number) =>
        set({ ...window, endMs: Math.min(lengthMs, Math.max(ms, window.startMs + shortestMs)) }, ms - 1_000),
    },
  ];
  return (
    <div className="grid gap-2">
      {/* biome-ignore lint/a11y/useMediaCaption: it was spoken a moment ago by the person who hears it */}
      <video
        ref={player}
        src={src ?? undefined}
        controls
        playsInline
        aria-label={t('voice.recorded')}
        className={isFilm ? 'aspect-video w-full rounded-control bg-film' : 'h-12 w-full'}
        onTimeUpdate={(event) => {
          if (event.currentTarget.currentTime * 1000 > window.endMs) event.currentTarget.pause();
        }}
        onPlay={(event) => {
          const element = event.currentTarget;
          const atMs = element.currentTime * 1000;
          if (atMs < window.startMs || atMs > window.endMs - 100) element.currentTime = window.startMs / 1000;
        }}
      />
      {edges.map((edge) => (
        <label key={edge.label} className="grid grid-cols-[6.5rem_1fr_3.5rem] items-center gap-2 text-14">
          {edge.label}
          <input
            type="range"
            className="accent-main"
            min={0}
            max={lengthMs}
            step={100}
            value={edge.value}
            onChange={(event) => edge.set(Number(event.target.value))}
          />
          <span className="font-mono text-13">{formatClock(edge.value, { tenths: true })}</span>
        </label>
      ))}
    </div>
  );
}
