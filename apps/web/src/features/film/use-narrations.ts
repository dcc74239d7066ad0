import type { Narration } from '@semita/core/lesson';
import { type RefObject, useEffect, useRef } from 'react';
import { pathOf } from '../../api/client.ts';
import { createNarrator } from './narrate.ts';

/** How often the voice is compared with the film. */
const lookMs = 100;

/** Plays the voices over a film, each in an element of its own that is loaded beforehand. */
export function useNarrations(
  video: RefObject<HTMLVideoElement | null>,
  narrations: readonly Narration[],
  isMuted: boolean,
): void {
  const latest = useRef(narrations);
  latest.current = narrations;
  const narrator = useRef<ReturnType<typeof createNarrator>>(null);
  const sources = narrations.map((one) => one.materialId).join();
  useEffect(() => {
    const element = video.current;
    if (!element || sources === '') return;
    const voices = new Map(
      sources.split(',').map((materialId) => {
        const voice = new Audio(pathOf('streamMedia', { materialId }));
        voice.preload = 'auto';
        return [materialId, voice];
      }),
    );
    const created = createNarrator(
      element,
      () => latest.current.filter((one) => voices.has(one.materialId)),
      ({ materialId }) => voices.get(materialId) as HTMLAudioElement,
    );
    narrator.current = created;
    const follow = () => created.follow();
    const timer = window.setInterval(follow, lookMs);
    const events = ['playing', 'pause', 'seeking', 'seeked', 'ratechange', 'ended'];
    for (const name of events) element.addEventListener(name, follow);
    return () => {
      clearInterval(timer);
      for (const name of events) element.removeEventListener(name, follow);
      created.dispose();
      narrator.current = null;
      for (const voice of voices.values()) voice.removeAttribute('src');
    };
  }, [video, sources]);
  useEffect(() => narrator.current?.setMuted(isMuted), [isMuted]);
}
