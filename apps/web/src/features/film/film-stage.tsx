import { cueWords } from '@semita/core/captions';
import type { Narration } from '@semita/core/lesson';
import { lineAt, type ScriptLine } from '@semita/core/script';
import { AudioLines, Captions, Maximize, Pause, Play, Undo2, Volume2, VolumeX } from 'lucide-react';
import { type Ref, useEffect, useImperativeHandle, useRef, useState } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { narrationAt } from './narrate.ts';
import { useNarrations } from './use-narrations.ts';
import { watchFilm } from './watch-film.ts';
import { whenKnown } from './when-known.ts';
import './words.ts';

export interface FilmControls {
  play(): void;
  pause(): void;
  /** Goes to a place, as far as the limit allows. */
  seek(toMs: number): void;
  nowMs(): number;
  /** Tells what was met so far. */
  flush(): void;
  /** Turns the sound off and on again, as while somebody speaks over the film. */
  setMuted(isMuted: boolean): void;
}

interface Props {
  readonly ref?: Ref<FilmControls>;
  readonly src: string;
  readonly title: string;
  readonly inMs: number;
  readonly outMs: number;
  readonly startMs: number;
  /** The furthest place the viewer may go to. */
  readonly limitMs: number;
  /** Why the film may not be played now; null when it may. */
  readonly lockedWords?: string | null;
  readonly lines: readonly ScriptLine[];
  readonly narrations?: readonly Narration[] | undefined;
  readonly maxRate: number;
  readonly barrierMs?: (atMs: number) => number;
  readonly onBarrier?: (atMs: number) => void;
  readonly onMet?: (fromMs: number, toMs: number, rate: number) => void;
  readonly onPaused?: (atMs: number) => void;
  readonly onSought?: (fromMs: number, toMs: number) => void;
  readonly onPlace?: (atMs: number) => void;
  readonly onPlaying?: (isPlaying: boolean) => void;
  readonly fullScreenOf?: () => HTMLElement | null;
}

const noNarrations: readonly Narration[] = [];

const rates = [0.75, 1, 1.25, 1.5, 2];
const barButton =
  'grid size-11 shrink-0 place-items-center rounded-control text-on-film hover:bg-on-film/15 disabled:opacity-40';

/**
 * A film in its window, with our own controls and caption line: every rule about where a viewer may go lives here
 * and in `watchFilm`, so the browser's controls must not be there to go round them.
 */
export function FilmStage(props: Props) {
  const { src, title, inMs, outMs, startMs, limitMs, lockedWords = null, lines, maxRate } = props;
  const { narrations = noNarrations } = props;
  const video = useRef<HTMLVideoElement>(null);
  const latest = useRef(props);
  latest.current = props;
  const [atMs, setAtMs] = useState(startMs);
  const [isPlaying, setIsPlaying] = useState(false);
  const [isMuted, setIsMuted] = useState(false);
  /** A sound has no picture: its title stands in the picture's place. */
  const [isSound, setIsSound] = useState(false);
  const [hasFailed, setHasFailed] = useState(false);
  const [rate, setRate] = useState(1);
  const [showsCaptions, setShowsCaptions] = useState(true);
  const watch = useRef<ReturnType<typeof watchFilm>>(null);
  /** Where to be as soon as the film is there. */
  const firstMs = useRef(startMs);

  useEffect(() => {
    const element = video.current;
    if (!element) return;
    const watched = watchFilm(element, {
      barrierMs: (now) => latest.current.barrierMs?.(now) ?? latest.current.outMs,
      onBarrier: (now) => latest.current.onBarrier?.(now),
      onMet: (from, to, playedRate) => latest.current.onMet?.(from, to, playedRate),
      onTick: (now) => {
        // Ten times a second is smooth enough for a clock, and spares the page the rest.
        setAtMs((before) => (Math.abs(before - now) >= 100 || element.paused ? now : before));
        latest.current.onPlace?.(now);
      },
    });
    watch.current = watched;
    const forget = whenKnown(element, () => {
      setIsSound(element.videoWidth === 0);
      element.currentTime = firstMs.current / 1000;
    });
    return () => {
      forget();
      watched.dispose();
    };
  }, []);

  const nowMs = () => (video.current ? video.current.currentTime * 1000 : startMs);
  const seek = (toMs: number) => {
    const element = video.current;
    if (!element) return;
    const from = nowMs();
    const to = Math.min(Math.max(toMs, inMs), Math.max(latest.current.limitMs, inMs), outMs);
    watch.current?.flush();
    element.currentTime = to / 1000;
    firstMs.current = to;
    setAtMs(to);
    latest.current.onSought?.(Math.round(from), Math.round(to));
  };
  const play = () => {
    if (latest.current.lockedWords) return;
    if (nowMs() >= outMs - 50) seek(inMs);
    // Rejected when a pause comes before the film could start; then there is nothing to do.
    video.current?.play().catch(() => undefined);
  };
  const pause = () => video.current?.pause();
  const toggle = () => (video.current?.paused ? play() : pause());

  useImperativeHandle(props.ref, () => ({
    play,
    pause,
    seek,
    nowMs,
    flush: () => watch.current?.flush(),
    setMuted: setIsMuted,
  }));
  useNarrations(video, narrations, isMuted);

  const line = lines[lineAt(lines, atMs)];
  const filmWords = line?.text && atMs <= line.endMs ? cueWords(line.text) : '';
  const spoken = narrationAt(narrations, atMs);
  // Under a quiet voice the film goes on speaking, but the voice is what is meant to be heard.
  const caption = showsCaptions ? (spoken ? spoken.words : filmWords) : '';
  const hasWords = lines.some((one) => one.text !== null) || narrations.some((one) => one.words !== '');
  const keys: Record<string, () => void> = {
    ' ': toggle,
    k: toggle,
    ArrowLeft: () => seek(nowMs() - 5_000),
    ArrowRight: () => seek(nowMs() + 5_000),
    j: () => seek(nowMs() - 10_000),
    l: () => seek(nowMs() + 10_000),
    ',': () => seek(nowMs() - 40),
    '.': () => seek(nowMs() + 40),
  };
  const percent = (ms: number) => `${(100 * (ms - inMs)) / Math.max(1, outMs - inMs)}%`;

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the keys of the clip work on whatever in it has the focus
    <div
      className="@container overflow-hidden rounded-card border border-film bg-film text-on-film"
      onKeyDown={(event) => {
        const isOnControl = event.target instanceof HTMLButtonElement || event.target instanceof HTMLSelectElement;
        const key = keys[event.key];
        if (!key || event.ctrlKey || event.metaKey || event.altKey || (isOnControl && event.key === ' ')) return;
        event.preventDefault();
        key();
      }}
    >
      <div className={joinClasses('relative', isSound ? 'h-40' : 'aspect-video')}>
        {isSound && (
          <p className="pointer-events-none absolute inset-x-0 top-6 flex items-center justify-center gap-2 px-6 text-center text-16 @lg:text-18">
            <AudioLines aria-hidden className="size-5 shrink-0" strokeWidth={1.75} />
            {title}
          </p>
        )}
        {/* Captions are drawn by our own line below, from the same cues. */}
        <video
          ref={video}
          src={src}
          aria-label={title}
          className="size-full"
          preload="auto"
          playsInline
          disablePictureInPicture
          muted={isMuted}
          onClick={toggle}
          onPlay={() => {
            setIsPlaying(true);
            latest.current.onPlaying?.(true);
          }}
          onPause={() => {
            setIsPlaying(false);
            latest.current.onPlaying?.(false);
            latest.current.onPaused?.(Math.round(nowMs()));
          }}
          onSeeking={(event) => {
            // Keys of the keyboard or the operating system can move a film past us.
            const limit = Math.max(latest.current.limitMs, inMs) + 500;
            if (event.currentTarget.currentTime * 1000 > limit) event.currentTarget.currentTime = limitMs / 1000;
          }}
          onError={() => setHasFailed(true)}
        />
        {caption && (
          <p className="pointer-events-none absolute inset-x-0 bottom-2 px-4 text-center text-14 @lg:bottom-3 @lg:px-6 @lg:text-18">
            <span className="rounded-control bg-film/80 box-decoration-clone px-2 py-0.5">{caption}</span>
          </p>
        )}
        {hasFailed && (
          <p role="alert" className="absolute inset-0 grid place-items-center bg-film p-6 text-center">
            {t('film.cannotPlay')}
          </p>
        )}
      </div>
      <div className="flex flex-wrap items-center px-2 pb-1">
        <input
          type="range"
          className="film-range basis-full"
          style={{ '--at': percent(atMs), '--limit': percent(Math.max(limitMs, atMs)) } as React.CSSProperties}
          aria-label={t('film.place')}
          aria-valuetext={t('film.placeText', { at: formatClock(atMs - inMs), end: formatClock(outMs - inMs) })}
          min={inMs}
          max={outMs}
          step={1000}
          value={atMs}
          onChange={(event) => seek(Number(event.target.value))}
        />
        <button
          type="button"
          className={barButton}
          onClick={toggle}
          disabled={lockedWords !== null}
          aria-label={t(isPlaying ? 'film.pause' : 'film.play')}
        >
          {isPlaying ? <Pause aria-hidden className="size-5" /> : <Play aria-hidden className="size-5" />}
        </button>
        <button
          type="button"
          className={barButton}
          onClick={() => seek(nowMs() - 5_000)}
          disabled={lockedWords !== null}
          aria-label={t('film.back5')}
        >
          <Undo2 aria-hidden className="size-5" strokeWidth={1.75} />
        </button>
        <span className="px-1 font-mono text-13">
          {formatClock(atMs - inMs)} / {formatClock(outMs - inMs)}
        </span>
        <span className="grow" />
        <label className="flex h-11 items-center rounded-control hover:bg-on-film/15">
          <span className="sr-only">{t('film.speed')}</span>
          <select
            className="h-11 [field-sizing:content] bg-transparent font-mono text-13 *:bg-film"
            value={rate}
            onChange={(event) => {
              const next = Number(event.target.value);
              setRate(next);
              if (video.current) video.current.playbackRate = next;
            }}
          >
            {rates
              .filter((one) => one <= maxRate)
              .map((one) => (
                <option key={one} value={one}>
                  {one} ×
                </option>
              ))}
          </select>
        </label>
        <button
          type="button"
          className={barButton}
          onClick={() => setIsMuted(!isMuted)}
          aria-label={t(isMuted ? 'film.loud' : 'film.mute')}
        >
          {isMuted ? (
            <VolumeX aria-hidden className="size-5" strokeWidth={1.75} />
          ) : (
            <Volume2 aria-hidden className="size-5" strokeWidth={1.75} />
          )}
        </button>
        {hasWords && (
          <button
            type="button"
            className={joinClasses(barButton, showsCaptions && 'bg-on-film/20')}
            aria-pressed={showsCaptions}
            onClick={() => setShowsCaptions(!showsCaptions)}
            aria-label={t('film.captions')}
          >
            <Captions aria-hidden className="size-5" strokeWidth={1.75} />
          </button>
        )}
        {props.fullScreenOf && (
          <button
            type="button"
            className={joinClasses(barButton, 'max-sm:hidden')}
            aria-label={t('film.fullScreen')}
            onClick={() => {
              if (document.fullscreenElement) void document.exitFullscreen();
              else void props.fullScreenOf?.()?.requestFullscreen();
            }}
          >
            <Maximize aria-hidden className="size-5" strokeWidth={1.75} />
          </button>
        )}
      </div>
      {lockedWords && <p className="border-t border-on-film/20 px-4 py-2 text-14">{lockedWords}</p>}
    </div>
  );
}
