import type { Response } from '@semita/core/question';
import { useEffect, useRef } from 'react';

type OnDraft = (questionId: string, response: Response) => void;

export interface DraftSaver {
  save(questionId: string, response: Response): void;
  /** Saves what waits, at once. */
  flush(): void;
  /** Forgets what waits, because it has been given as an answer. */
  drop(): void;
}

/** How long after the last key or stroke what was written or drawn is saved; other kinds are saved at once. */
const draftDelaysMs: Partial<Record<Response['kind'], number>> = {
  extendedText: 600,
  number: 600,
  gaps: 600,
  scale: 600,
  // A drawing is long, and its strokes come fast.
  drawing: 3_000,
};

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
      const delayMs = draftDelaysMs[response.kind];
      if (delayMs === undefined) flush();
      else timer = window.setTimeout(flush, delayMs);
    },
    flush,
    drop() {
      clearTimeout(timer);
      waiting.clear();
    },
  };
}
