import type { MaterialPart } from '@semita/core/lesson';
import { lineAt, type ScriptLine } from '@semita/core/script';
import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import type { ScriptActions } from '../script/script-actions.ts';

/**
 * Where the desk was opened with the wish for a stop at some place (`?part=…&stopAt=…`, in ms), it is begun there: behind
 * what is said at that moment.
 */
export function useStopBegunElsewhere(
  { id, inMs, outMs }: MaterialPart,
  lines: readonly ScriptLine[],
  { insert }: Pick<ScriptActions, 'insert'>,
): void {
  const [search, setSearch] = useSearchParams();
  const isBegun = useRef(false);
  const wish = search.get('part') === id ? Number(search.get('stopAt') ?? Number.NaN) : Number.NaN;
  useEffect(() => {
    if (Number.isNaN(wish) || lines.length === 0 || isBegun.current) return;
    isBegun.current = true;
    setSearch({}, { replace: true });
    const atMs = Math.min(Math.max(wish, inMs), outMs);
    insert('checkpoint', Math.max(0, lineAt(lines, atMs)) + 1);
  }, [wish, lines, inMs, outMs, insert, setSearch]);
}
