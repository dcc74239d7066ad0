import type { Narration } from '@semita/core/lesson';
import { describe, expect, test } from 'vitest';
import { createNarrator, narrationAt } from './narrate.ts';

/** A player whose clock is the test's. */
class Player {
  paused = true;
  seeking = false;
  ended = false;
  muted = false;
  volume = 1;
  playbackRate = 1;
  currentTime = 0;
  readyState = 4;
  error: MediaError | null = null;
  async play() {
    this.paused = false;
  }
  pause() {
    this.paused = true;
  }
  pass(ms: number, drift = 1) {
    if (!this.paused) this.currentTime += (ms / 1000) * this.playbackRate * drift;
  }
}

const narration = (change: Partial<Narration> = {}): Narration => ({
  id: 'n1',
  materialId: 'm',
  words: '',
  atMs: 10_000,
  lengthMs: 20_000,
  filmSound: 'silent',
  ...change,
});

function stage(narrations: readonly Narration[]) {
  const film = new Player();
  const voices = new Map(narrations.map((one) => [one.id, new Player()]));
  const voice = voices.get('n1') as Player;
  const narrator = createNarrator(
    film as unknown as HTMLVideoElement,
    () => narrations,
    (one) => voices.get(one.id) as Player,
  );
  /** Lets time pass as a browser does: both clocks run, and the narrator looks four times a second. */
  const pass = async (ms: number, drift = 1) => {
    for (let left = ms; left > 0; left -= 250) {
      film.pass(Math.min(250, left));
      for (const one of voices.values()) one.pass(Math.min(250, left), drift);
      narrator.follow();
      await Promise.resolve();
    }
  };
  const offMs = () => Math.abs(voice.currentTime * 1000 - (film.currentTime * 1000 - 10_000));
  return { film, voice, voices, narrator, pass, offMs };
}

test('the voice begins at its place, in the place of the film’s sound, and ends with its length', async () => {
  const { film, voice, pass } = stage([narration()]);
  await film.play();
  await pass(9_500);
  expect([voice.paused, film.muted]).toEqual([true, false]);
  await pass(1_000);
  expect([voice.paused, film.muted]).toEqual([false, true]);
  await pass(20_000);
  expect([voice.paused, film.muted, film.volume]).toEqual([true, false, 1]);
});

test('a quiet film goes on under the voice', async () => {
  const { film, pass } = stage([narration({ filmSound: 'quiet' })]);
  await film.play();
  await pass(12_000);
  expect(film.muted).toBe(false);
  expect(film.volume).toBeLessThan(0.5);
});

test.each([0.75, 1, 1.5, 2])(
  'it stays within a tenth of a second at rate %s, though its clock runs 2 %% slow',
  async (rate) => {
    const { film, pass, offMs } = stage([narration()]);
    film.playbackRate = rate;
    film.currentTime = 10;
    await film.play();
    await pass(1_000, 0.98);
    for (let step = 0; step < 30 && film.currentTime < 29; step++) {
      await pass(250, 0.98);
      expect(offMs()).toBeLessThan(100);
    }
  },
);

describe('in step', () => {
  test('it pauses with the film and goes on with it', async () => {
    const { film, voice, pass, offMs } = stage([narration()]);
    film.currentTime = 12;
    await film.play();
    await pass(1_000);
    film.pause();
    await pass(250);
    expect(voice.paused).toBe(true);
    await pass(5_000);
    await film.play();
    await pass(1_000);
    expect(voice.paused).toBe(false);
    expect(offMs()).toBeLessThan(100);
  });

  test('it jumps with the film, also out of its stretch and into it', async () => {
    const { film, voice, pass, offMs } = stage([narration()]);
    await film.play();
    film.currentTime = 25;
    await pass(500);
    expect(offMs()).toBeLessThan(100);
    film.currentTime = 2;
    await pass(250);
    expect(voice.paused).toBe(true);
    film.currentTime = 11;
    await pass(500);
    expect(offMs()).toBeLessThan(100);
  });

  test('the film waits while the voice has no data', async () => {
    const { film, voice, pass, offMs } = stage([narration()]);
    film.currentTime = 11;
    voice.readyState = 1;
    await film.play();
    await pass(1_000);
    expect([film.paused, voice.paused]).toEqual([true, true]);
    voice.readyState = 4;
    await pass(500);
    expect([film.paused, voice.paused]).toEqual([false, false]);
    expect(offMs()).toBeLessThan(100);
  });
});

test('a film that waited goes on when the viewer leaves the stretch', async () => {
  const { film, voice, pass } = stage([narration()]);
  film.currentTime = 11;
  voice.readyState = 1;
  await film.play();
  await pass(500);
  expect(film.paused).toBe(true);
  film.currentTime = 40;
  await pass(500);
  expect([film.paused, film.muted]).toEqual([false, false]);
});

test('a voice that cannot be played holds nobody up, and the film is heard', async () => {
  const { film, voice, pass } = stage([narration()]);
  film.currentTime = 9;
  voice.readyState = 0;
  await film.play();
  await pass(1_500);
  expect(film.paused).toBe(true);
  voice.error = {} as MediaError;
  await pass(500);
  expect([film.paused, film.muted]).toEqual([false, false]);
});

test('a voice that ends before its stretch does, with nothing left to play, does not hold the film', async () => {
  const { film, voice, pass } = stage([narration()]);
  film.currentTime = 29;
  await film.play();
  await pass(250);
  Object.assign(voice, { ended: true, paused: true, readyState: 2 });
  await pass(500);
  expect(film.paused).toBe(false);
});

test('of two that overlap, the one that began later is heard', async () => {
  const both = [narration(), narration({ id: 'n2', atMs: 15_000, lengthMs: 5_000 })];
  expect(narrationAt(both, 14_000)?.id).toBe('n1');
  expect(narrationAt(both, 16_000)?.id).toBe('n2');
  expect(narrationAt(both, 21_000)?.id).toBe('n1');
  const { film, voice, voices, pass } = stage(both);
  film.currentTime = 14;
  await film.play();
  await pass(3_000);
  expect([voice.paused, voices.get('n2')?.paused]).toEqual([true, false]);
});

test('the viewer’s switch silences both, and the film is not loud again afterwards', async () => {
  const { film, voice, narrator, pass } = stage([narration()]);
  film.currentTime = 28;
  await film.play();
  narrator.setMuted(true);
  await pass(1_000);
  expect(voice.muted).toBe(true);
  await pass(3_000);
  expect(film.muted).toBe(true);
});
