import type { Response } from '@semita/core';
import { useEffect, useRef } from 'react';

type OnDraft = (questionId: string, response: Response) => void;

export interface DraftSaver {
  save(questionId: string, response: Response): void;
  /** Saves what waits, at once. */
  flush(): void;
  /** Forgets what waits, because it has been given as an answer. */
  drop(): void;
}

/** How long after the last key what was written is saved. */
const draftDelayMs = 600;

/**
 * Saves what is picked at once, what is written a moment after the last key, and all of it when the page or the stop
 * goes away.
 */
export function useDraftSaver(onDraft: OnDraft): DraftSaver {
  const latest = useRef(onDraft);
  latest.current = onDraft;
  const saver = useRef<DraftSaver>(null);
  saver.current ??= createDraftSaver((questionId, response) => latest.current(questionId, response));
  useEffect(() => {
    const flush = () => saver.current?.flush();
    // Before the walk itself hears of it: capturing listeners come first.
    window.addEventListener('pagehide', flush, { capture: true });
    document.addEventListener('visibilitychange', flush, { capture: true });
    return () => {
      window.removeEventListener('pagehide', flush, { capture: true });
      document.removeEventListener('visibilitychange', flush, { capture: true });
      flush();
    };
  }, []);
  return saver.current;
}

function createDraftSaver(onDraft: OnDraft): DraftSaver {
  const waiting = new Map<string, Response>();
  let timer = 0;
  const flush = () => {
    clearTimeout(timer);
    for (const [questionId, response] of waiting) onDraft(questionId, response);
    waiting.clear();
  };
  return {
    save(questionId, response) {
      waiting.set(questionId, response);
      clearTimeout(timer);
      if (response.kind === 'extendedText') timer = window.setTimeout(flush, draftDelayMs);
      else flush();
    },
    flush,
    drop() {
      clearTimeout(timer);
      waiting.clear();
    },
  };
}
