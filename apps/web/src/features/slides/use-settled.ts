import type { MadeDeck } from '@semita/core/deck';
import { useEffect, useState } from 'react';

/** A slide is drawn anew once nobody has typed for this long. */
const pauseMs = 350;

/** What is written, once the writing pauses. */
export function useSettled(deck: MadeDeck): { readonly deck: MadeDeck; readonly isSettled: boolean } {
  const [settled, setSettled] = useState(deck);
  const written = JSON.stringify(deck);
  const isSettled = JSON.stringify(settled) === written;
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(JSON.parse(written) as MadeDeck), pauseMs);
    return () => clearTimeout(timer);
  }, [written]);
  return { deck: settled, isSettled };
}
