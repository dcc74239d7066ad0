// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { watchFilm } from './watch-film.ts';

beforeEach(() => {
  vi.useFakeTimers({
    toFake: ['setTimeout', 'clearTimeout', 'requestAnimationFrame', 'cancelAnimationFrame', 'performance'],
  });
});
afterEach(() => {
  vi.useRealTimers();
});

/** A film whose clock is the test's: it goes on with the timers while it plays, as a browser's does. */
class PlayedFilm extends EventTarget {
  paused = true;
  seeking = false;
  ended = false;
  #rate = 1;
  #at = 0;
  #since = 0;

  get currentTime(): number {
    return this.paused ? this.#at : this.#at + ((performance.now() - this.#since) / 1000) * this.#rate;
  }
  /** Setting the time jumps, as an element's setter does. */
  set currentTime(seconds: number) {
    this.seeking = true;
    this.#at = seconds;
    this.#since = performance.now();
    this.#say('seeking');
    this.seeking = false;
    this.#say('seeked');
  }
  get playbackRate(): number {
    return this.#rate;
  }
  set playbackRate(rate: number) {
    this.#at = this.currentTime;
    this.#since = performance.now();
    this.#rate = rate;
    this.#say('ratechange');
  }
  play() {
    this.#since = performance.now();
    this.paused = false;
    this.#say('playing');
  }
  pause() {
    this.#at = this.currentTime;
    this.paused = true;
    this.#say('pause');
  }
  end() {
    this.#at = this.currentTime;
    this.paused = true;
    this.ended = true;
    this.#say('ended');
  }
  wait() {
    this.#say('waiting');
  }
  /** Plays on while the page is too busy to look, and then tells of it as an element does. */
  playUnseen(ms: number, isAtEnd = false) {
    vi.clearAllTimers();
    vi.advanceTimersByTime(ms);
    if (isAtEnd) {
      this.#at = this.currentTime;
      this.paused = true;
      this.ended = true;
    }
    for (const name of isAtEnd ? ['timeupdate', 'pause', 'ended'] : ['timeupdate']) this.#say(name);
  }
  #say(name: string) {
    this.dispatchEvent(new Event(name));
  }
}

function watch(barrierMs = Number.POSITIVE_INFINITY) {
  const film = new PlayedFilm();
  const met: [number, number, number][] = [];
  const halts: number[] = [];
  const barrier = { ms: barrierMs };
  const watched = watchFilm(film as unknown as HTMLVideoElement, {
    barrierMs: () => barrier.ms,
    onBarrier: (ms) => halts.push(Math.round(ms)),
    onMet: (from, to, rate) => met.push([from, to, rate]),
    onTick: () => undefined,
  });
  return { film, met, halts, barrier, ...watched };
}

const near = (a: number, b: number) => Math.abs(a - b) <= 20;

test('what was played is told when the film pauses', () => {
  const { film, met } = watch();
  film.play();
  vi.advanceTimersByTime(3_000);
  film.pause();
  expect(met).toEqual([[0, 3_000, 1]]);
});

test('a long stretch is told in pieces that leave nothing out', () => {
  const { film, met } = watch();
  film.play();
  vi.advanceTimersByTime(12_000);
  film.pause();
  expect(met.length).toBeGreaterThanOrEqual(3);
  for (const [index, [from]] of met.entries()) expect(from).toBe(met[index - 1]?.[1] ?? 0);
  expect(met.at(-1)?.[1]).toBe(12_000);
});

describe('barriers', () => {
  test.each([1, 1.5, 2])('the film halts within a frame of one, at rate %s, and not after it', (rate) => {
    const { film, met, halts } = watch(8_000);
    film.playbackRate = rate;
    film.play();
    vi.advanceTimersByTime(20_000);
    expect(film.paused).toBe(true);
    expect(film.currentTime).toBe(8);
    expect(halts).toEqual([8_000]);
    expect(near(met.at(-1)?.[1] ?? 0, 8_000)).toBe(true);
    expect(
      near(
        met.reduce((sum, [from, to]) => sum + to - from, 0),
        8_000,
      ),
    ).toBe(true);
  });

  test.each([false, true])('a page too busy to look finds its mark again (played to the end: %s)', (isAtEnd) => {
    const film = new PlayedFilm();
    const met: [number, number][] = [];
    const halts: number[] = [];
    const stops = [2_000, 9_000];
    watchFilm(film as unknown as HTMLVideoElement, {
      barrierMs: (atMs) => stops.find((stop) => stop >= atMs) ?? 9_000,
      onBarrier: (ms) => halts.push(Math.round(ms)),
      onMet: (from, to) => met.push([from, to]),
      onTick: () => undefined,
    });
    film.play();
    vi.advanceTimersByTime(500);
    film.playUnseen(3_500, isAtEnd);
    expect(halts[0]).toBe(2_000);
    expect(film.paused).toBe(true);
    expect(film.currentTime).toBe(2);
    expect(met).toEqual([[0, 2_000]]);
  });

  test('a barrier that has been lifted lets the film go on', () => {
    const { film, halts, barrier } = watch(2_000);
    film.play();
    vi.advanceTimersByTime(3_000);
    barrier.ms = 5_000;
    film.play();
    vi.advanceTimersByTime(10_000);
    expect(halts).toEqual([2_000, 5_000]);
  });

  test('the end of the film is one', () => {
    const { film, halts, met } = watch();
    film.play();
    vi.advanceTimersByTime(1_000);
    film.end();
    expect(halts).toEqual([1_000]);
    expect(met).toEqual([[0, 1_000, 1]]);
  });

  test('frames stop in hidden tabs; a timer halts the film all the same', () => {
    vi.stubGlobal('requestAnimationFrame', () => 0);
    const { film, halts } = watch(4_000);
    film.play();
    vi.advanceTimersByTime(10_000);
    expect(halts).toEqual([4_000]);
    vi.unstubAllGlobals();
  });
});

describe('what was not played is not met', () => {
  test('a jump ends one stretch and begins another', () => {
    const { film, met } = watch();
    film.play();
    vi.advanceTimersByTime(2_000);
    film.currentTime = 60;
    vi.advanceTimersByTime(1_000);
    film.pause();
    expect(met).toHaveLength(2);
    expect(near(met[0]?.[1] ?? 0, 2_000)).toBe(true);
    expect(met[1]).toEqual([60_000, 61_000, 1]);
  });

  test('waiting for data', () => {
    const { film, met } = watch();
    film.play();
    vi.advanceTimersByTime(1_000);
    film.wait();
    expect(met).toHaveLength(1);
    film.pause();
    expect(met).toHaveLength(1);
  });

  test('a clock that leaps, as after a laptop was asleep', () => {
    const { film, met } = watch();
    film.play();
    vi.advanceTimersByTime(1_000);
    Object.defineProperty(film, 'currentTime', { get: () => 500, set: () => undefined, configurable: true });
    film.dispatchEvent(new Event('pause'));
    expect(met).toEqual([]);
  });
});

test('a change of speed begins a new stretch with its own rate', () => {
  const { film, met } = watch();
  film.play();
  vi.advanceTimersByTime(2_000);
  film.playbackRate = 2;
  vi.advanceTimersByTime(1_000);
  film.pause();
  expect(met.map(([, , rate]) => rate)).toEqual([1, 2]);
  expect(met.at(-1)?.[1]).toBe(4_000);
});

test('flushing tells what was met so far and goes on', () => {
  const { film, met, flush } = watch();
  flush();
  film.play();
  vi.advanceTimersByTime(1_000);
  flush();
  vi.advanceTimersByTime(1_000);
  film.pause();
  expect(met).toEqual([
    [0, 1_000, 1],
    [1_000, 2_000, 1],
  ]);
});

test('leaving the page tells the rest, once', () => {
  const { film, met, dispose } = watch();
  film.play();
  vi.advanceTimersByTime(1_500);
  dispose();
  film.pause();
  expect(met).toHaveLength(1);
  expect(near(met[0]?.[1] ?? 0, 1_500)).toBe(true);
});
