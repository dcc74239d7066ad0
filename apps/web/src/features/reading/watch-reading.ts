import { type Looked, spendReading } from '@semita/core/reducer';
import type { ScriptLine } from '@semita/core/script';

interface ReadingWatcher {
  /** The lines that may be read now, in order. */
  readonly lines: () => readonly ScriptLine[];
  readonly onMet: (line: ScriptLine) => void;
  /** Every line that may be read now has been met since the watching began, or was before. */
  readonly isMet: (line: ScriptLine) => boolean;
}

const tickMs = 250;
/** Time that passed unseen, as in a closed lid, is no reading. */
const longestTickMs = 1_000;

/**
 * Watches which blocks of a text are in sight and tells when each was looked at long enough to have been read. A block
 * that goes out of sight and comes back is read again.
 */
export function watchReading(root: HTMLElement, watcher: ReadingWatcher) {
  const inSight = new Set<string>();
  const done = new Set<string>();
  let looked: Looked = new Map();
  let lastAt = performance.now();

  const observer = new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting, intersectionRatio, intersectionRect, rootBounds } of entries) {
        const id = (target as HTMLElement).dataset.block ?? '';
        // Half of it, or as much of it as the screen holds.
        const fills = rootBounds !== null && intersectionRect.height > rootBounds.height * 0.5;
        if (isIntersecting && (intersectionRatio >= 0.5 || fills)) inSight.add(id);
        else if (!isIntersecting) {
          inSight.delete(id);
          done.delete(id);
        }
      }
    },
    { threshold: [0, 0.25, 0.5, 0.75, 1] },
  );

  const observeBlocks = () => {
    for (const block of root.querySelectorAll('[data-block]')) observer.observe(block);
  };

  const tick = () => {
    const now = performance.now();
    const elapsedMs = Math.min(longestTickMs, now - lastAt);
    lastAt = now;
    if (document.visibilityState === 'hidden') return;
    const lines = watcher.lines().filter((line) => inSight.has(line.id) && !done.has(line.id));
    // What is new comes first: going back over what was read must not keep anybody from going on.
    const ordered = [...lines.filter((line) => !watcher.isMet(line)), ...lines.filter(watcher.isMet)];
    const spent = spendReading(looked, ordered, elapsedMs);
    looked = spent.looked;
    for (const line of spent.met) {
      done.add(line.id);
      watcher.onMet(line);
    }
  };

  observeBlocks();
  const timer = window.setInterval(tick, tickMs);
  return {
    /** The blocks that are shown have changed. */
    refresh: observeBlocks,
    /** A block of which only a piece could be met may be met anew. */
    forget: (lineId: string) => done.delete(lineId),
    dispose() {
      clearInterval(timer);
      observer.disconnect();
    },
  };
}
