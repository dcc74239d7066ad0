import { stopMarkOf } from '@semita/core/sheet';
import { useEffect, useRef, useState } from 'react';
import { stateWords } from '../../ui/state-mark.tsx';
import { stopPlaces } from './stop-places.ts';
import type { WalkSnapshot } from './walk-session.ts';

/** Says what came of an answer, and which stop is open, to whoever does not see the page change. */
export function WalkAnnouncer({ snapshot }: { readonly snapshot: Pick<WalkSnapshot, 'lesson' | 'state'> }) {
  const [said, setSaid] = useState('');
  const before = useRef<ReadonlyMap<string, string> | null>(null);
  const { lesson, state } = snapshot;
  useEffect(() => {
    const { stops, placeOf } = stopPlaces({ lesson, state });
    const reached = stops.filter(({ id }) => state.stops[id]);
    const now = new Map(
      reached.map((stop) => [stop.id, `${placeOf(stop)}: ${stateWords(stopMarkOf(stop, state.stops[stop.id]))}`]),
    );
    const known = before.current;
    before.current = now;
    // What stood there when the page was opened is read where it stands.
    const news = known ? [...now].flatMap(([id, words]) => (known.get(id) === words ? [] : [words])) : [];
    if (news.length > 0) setSaid(news.join('. '));
  }, [lesson, state]);
  return (
    <p role="status" className="sr-only">
      {said}
    </p>
  );
}
