import { type LiveMessages, type LiveTopic, liveNames } from '@semita/core/contract';
import { useEffect, useRef, useState } from 'react';
import { pathOf } from '../api/client.ts';

/** What is done with each message; one that nobody minds is left out. */
export type LiveListeners = { readonly [Name in keyof LiveMessages]?: (message: LiveMessages[Name]) => void };

/**
 * Is told what happens about a topic, from a version on.
 * @param since of what is shown; undefined while nothing is shown yet, and then nothing is asked for
 * @returns whether the line is up
 */
export function useLive(topic: LiveTopic, since: string | undefined, listeners: LiveListeners): boolean {
  const [isLive, setIsLive] = useState(false);
  const latest = useRef({ since, listeners });
  latest.current = { since, listeners };
  const isShown = since !== undefined;
  useEffect(() => {
    if (!isShown) return;
    const query = new URLSearchParams({ on: topic, since: latest.current.since ?? '' });
    // A line that breaks is taken up again by the browser, which says what it was told last.
    const source = new EventSource(`${pathOf('watch', {})}?${query}`);
    source.onopen = () => setIsLive(true);
    source.onerror = () => setIsLive(false);
    for (const name of liveNames)
      source.addEventListener(name, ({ data }) => {
        const listener = latest.current.listeners[name] as ((message: unknown) => void) | undefined;
        listener?.(JSON.parse(data as string));
      });
    return () => source.close();
  }, [topic, isShown]);
  return isLive;
}
