/** What a watcher tells and asks; times in whole milliseconds of the film. */
export interface FilmWatcher {
  /** The place at which the film must halt, given where it was last seen to play. Asked at every tick. */
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

  /**
   * What lies ahead of the last place that was seen. A busy page may come back to a film that has played on by itself,
   * past its mark and up to its end: the mark holds all the same.
   */
  const barrierFrom = (atMs: number) => watcher.barrierMs(stretch && !video.seeking ? Math.min(lastMs, atMs) : atMs);

  const halt = (barrierMs: number) => {
    lastMs = barrierMs;
    // Told before the film is paused, which would tell of all that has played.
    close(barrierMs);
    video.pause();
    video.currentTime = barrierMs / 1000;
    watcher.onBarrier(barrierMs);
  };

  const tick = () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
    const atMs = nowMs();
    const barrierMs = barrierFrom(atMs);
    // While seeking, the clock already shows the new place; what was played ended at the last one seen.
    if (!video.seeking) lastMs = atMs;
    watcher.onTick(atMs);
    if (stretch && barrierMs < atMs - earlyMs) return halt(barrierMs);
    if (video.paused || video.ended) return;
    const leftMs = (barrierMs - atMs) / video.playbackRate;
    if (leftMs <= earlyMs) return halt(barrierMs);
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
  const onPause = () => {
    const atMs = nowMs();
    const barrierMs = barrierFrom(atMs);
    if (stretch && barrierMs < atMs - earlyMs) halt(barrierMs);
    else close(atMs);
  };
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
