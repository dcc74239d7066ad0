import type { AnswerGroup } from '@semita/core/analysis';
import { useEffect, useState } from 'react';

/**
 * Answers that are alike, found in a worker; null until they are.
 * @param texts null where answers of this kind are not grouped
 */
export function useGroups(texts: readonly string[] | null): readonly AnswerGroup[] | null {
  const [groups, setGroups] = useState<readonly AnswerGroup[] | null>(null);
  const key = texts === null ? null : JSON.stringify(texts);
  useEffect(() => {
    setGroups(null);
    if (key === null) return;
    const worker = new Worker(new URL('./group-worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<readonly AnswerGroup[]>) => setGroups(data);
    worker.postMessage(JSON.parse(key));
    return () => worker.terminate();
  }, [key]);
  return groups;
}
