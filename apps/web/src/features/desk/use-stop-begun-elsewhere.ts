import type { MaterialPart } from '@semita/core/lesson';
import { lineAt, type ScriptLine } from '@semita/core/script';
import { useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { wishedStop } from '../lesson-parts/wished-stop.ts';
import type { ScriptActions } from '../script/script-actions.ts';

/** Where the desk was opened with the wish for a stop, it is begun there: behind what is said at that moment. */
export function useStopBegunElsewhere(
  { id, inMs, outMs }: MaterialPart,
  lines: readonly ScriptLine[],
  { insert }: Pick<ScriptActions, 'insert'>,
): void {
  const { state } = useLocation();
  const navigate = useNavigate();
  const isBegun = useRef(false);
  const wish = wishedStop(state);
  const wishedMs = wish?.partId === id ? wish.atMs : null;
  useEffect(() => {
    if (wishedMs === null || lines.length === 0 || isBegun.current) return;
    isBegun.current = true;
    // Going back to this page, or loading it again, begins no other.
    void navigate('.', { replace: true, state: null });
    const atMs = Math.min(Math.max(wishedMs, inMs), outMs);
    insert('checkpoint', Math.max(0, lineAt(lines, atMs)) + 1);
  }, [wishedMs, lines, inMs, outMs, insert, navigate]);
}
