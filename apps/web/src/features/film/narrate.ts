import type { Narration } from '@semita/core/lesson';

/** A voice this far from its film is led back gently; by how much faster or slower. */
const gentleMs = 80;
const nudge = 0.04;
/** Further off it jumps. */
const jumpMs = 400;
/** How loud a film is under a voice. Common practice, no source. */
const quietVolume = 0.15;

/** The voice that is to be heard at a place of the film. Where two overlap, the one that began later. */
export function narrationAt(narrations: readonly Narration[], atMs: number): Narration | undefined {
  return narrations
    .filter((one) => one.atMs <= atMs && atMs < one.atMs + one.lengthMs)
    .reduce<Narration | undefined>((best, one) => (best && best.atMs >= one.atMs ? best : one), undefined);
}

/** What a narrator uses of an audio element. */
type Voice = Pick<
  HTMLAudioElement,
  'paused' | 'currentTime' | 'playbackRate' | 'muted' | 'readyState' | 'play' | 'pause' | 'ended' | 'error'
>;

/**
 * Keeps recorded voices in step with a film, through pauses, rates and jumps. Both run on clocks of their own: what
 * drifts is led back, and when the voice is not there yet, the film waits for it.
 * @param voiceOf the element that plays a narration
 */
export function createNarrator(
  video: HTMLVideoElement,
  narrations: () => readonly Narration[],
  voiceOf: (narration: Narration) => Voice,
) {
  let speaking: { readonly narration: Narration; readonly voice: Voice } | null = null;
  let isMuted = false;
  /** The film waits for a voice that has no data yet. */
  let isWaiting = false;

  const applySound = () => {
    video.muted = isMuted || speaking?.narration.filmSound === 'silent';
    video.volume = speaking?.narration.filmSound === 'quiet' ? quietVolume : 1;
    if (speaking) speaking.voice.muted = isMuted;
  };

  const hush = () => {
    speaking?.voice.pause();
    speaking = null;
    applySound();
  };

  const placeOf = (narration: Narration) => video.currentTime * 1000 - narration.atMs;

  const begin = (narration: Narration) => {
    hush();
    speaking = { narration, voice: voiceOf(narration) };
    speaking.voice.currentTime = placeOf(narration) / 1000;
    applySound();
  };

  /** readyState 3: enough is there to go on from here (HTML, media elements). */
  const isReady = (voice: Voice) => voice.readyState >= 3;

  /** The film goes on, if it was this that held it. */
  const letGo = () => {
    if (!isWaiting) return;
    isWaiting = false;
    video.play().catch(() => undefined);
  };

  /** The voice that is to be heard now. One that cannot be played holds nobody up: the film speaks for itself. */
  const voiceNow = (): NonNullable<typeof speaking> | null => {
    const narration = narrationAt(narrations(), video.currentTime * 1000);
    if (narration && speaking?.narration.id !== narration.id && !voiceOf(narration).error) begin(narration);
    else if (speaking && (!narration || speaking.voice.error)) hush();
    return speaking;
  };

  return {
    /** To be called often while the film is open. */
    follow(): void {
      const now = voiceNow();
      if (!now || isReady(now.voice)) letGo();
      if (!now || isWaiting) return;
      const { voice, narration } = now;
      if (video.paused || video.seeking) {
        if (!voice.paused) voice.pause();
        return;
      }
      const offMs = voice.currentTime * 1000 - placeOf(narration);
      if (Math.abs(offMs) > jumpMs) voice.currentTime = placeOf(narration) / 1000;
      if (voice.ended) return;
      if (!isReady(voice)) {
        isWaiting = true;
        video.pause();
        return;
      }
      const lead = Math.abs(offMs) > gentleMs && Math.abs(offMs) <= jumpMs ? -Math.sign(offMs) * nudge : 0;
      voice.playbackRate = video.playbackRate * (1 + lead);
      if (voice.paused) voice.play().catch(() => undefined);
    },

    /** The viewer's own switch. */
    setMuted(muted: boolean): void {
      isMuted = muted;
      applySound();
    },

    dispose: hush,
  };
}
