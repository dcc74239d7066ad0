/** What a watcher tells and asks; times in whole milliseconds of the film. */
export interface FilmWatcher {
  /** The place at which the film must halt, given where it is now. Asked at every tick. */
  readonly barrierMs: (atMs: number) => number;
  /** The film has halted at its barrier. */
  readonly onBarrier: (atMs: number) => void;
  /** A stretch was really played. */
  readonly onMet: (fromMs: number, toMs: number, rate: number) => void;
  readonly onTick: (atMs: number) => void;
}

/** A stretch longer than the wall clock allows by more than this was a jump, not playing. */
const jumpToleranceMs = 750;
/** A halt this little before its mark is at its mark. */
const earlyMs = 4;
/** Met stretches are told at least this often, so that a crash loses no more. */
const longestStretchMs = 5_000;

/**
 * Watches a video element: halts it at barriers and tells what was met. `timeupdate` comes four times a second, so
 * places are read with every frame, and by a timer too, because frames stop in hidden tabs.
 */
export function watchFilm(video: HTMLVideoElement, watcher: FilmWatcher) {
  let stretch: { fromMs: number; sinceMs: number; rate: number } | null = null;
  let lastMs = 0;
  let frame = 0;
  let timer = 0;
  const nowMs = () => video.currentTime * 1000;

  const open = () => {
    if (video.paused || video.seeking || stretch) return;
    lastMs = nowMs();
    stretch = { fromMs: lastMs, sinceMs: performance.now(), rate: video.playbackRate };
  };

  const close = (endMs: number) => {
    if (!stretch) return;
    const { fromMs, sinceMs, rate } = stretch;
    stretch = null;
    const possibleMs = (performance.now() - sinceMs) * rate + jumpToleranceMs;
    if (endMs > fromMs && endMs - fromMs <= possibleMs) watcher.onMet(Math.round(fromMs), Math.round(endMs), rate);
  };

  const tick = () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
    const atMs = nowMs();
    // While seeking, the clock already shows the new place; what was played ended at the last one seen.
    if (!video.seeking) lastMs = atMs;
    watcher.onTick(atMs);
    if (video.paused || video.ended) return;
    const barrierMs = watcher.barrierMs(atMs);
    const leftMs = (barrierMs - atMs) / video.playbackRate;
    if (leftMs <= earlyMs) {
      video.pause();
      video.currentTime = barrierMs / 1000;
      lastMs = barrierMs;
      close(barrierMs);
      watcher.onBarrier(barrierMs);
      return;
    }
    if (stretch && atMs - stretch.fromMs >= longestStretchMs * stretch.rate) {
      close(atMs);
      open();
    }
    frame = requestAnimationFrame(tick);
    timer = window.setTimeout(tick, Math.max(4, Math.min(250, leftMs - earlyMs)));
  };

  const onPlaying = () => {
    open();
    tick();
  };
  const onPause = () => close(nowMs());
  const onBreak = () => close(lastMs);
  const onEnded = () => {
    close(nowMs());
    watcher.onBarrier(nowMs());
  };
  const onRate = () => {
    close(nowMs());
    open();
  };
  const handlers = {
    playing: onPlaying,
    seeked: onPlaying,
    pause: onPause,
    waiting: onBreak,
    seeking: onBreak,
    ended: onEnded,
    ratechange: onRate,
    timeupdate: tick,
  };
  for (const [name, handler] of Object.entries(handlers)) video.addEventListener(name, handler);

  return {
    /** Tells what was met so far, as if the film had been paused. */
    flush() {
      if (!stretch) return;
      close(video.seeking ? lastMs : nowMs());
      open();
    },
    dispose() {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
      close(lastMs);
      for (const [name, handler] of Object.entries(handlers)) video.removeEventListener(name, handler);
    },
  };
}
