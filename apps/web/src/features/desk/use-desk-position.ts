import { type Fault, isPathFault } from '@semita/core/checks';
import { useState } from 'react';
import { useLocation, useSearchParams } from 'react-router';
import { focusOn } from '../../ui/focus-target.ts';
import { wishedStop } from '../lesson-parts/wished-stop.ts';
import type { DeskSide } from './desk-bar.tsx';

/** Where at the desk somebody is: the side, the part, the stop. */
export function useDeskPosition() {
  const [search, setSearch] = useSearchParams();
  const side: DeskSide = search.get('view') === 'path' ? 'path' : 'script';
  const [mapPartId, chooseOnMap] = useState<string | null>(null);
  const [chosenPartId, choosePart] = useState<string | null>(wishedStop(useLocation().state)?.partId ?? null);
  const [openStopId, openStop] = useState<string | null>(null);

  const showSide = (next: DeskSide) => setSearch(next === 'path' ? { view: 'path' } : {}, { replace: true });
  const goToPart = (partId: string) => {
    showSide('script');
    choosePart(partId);
  };
  const goToStop = (partId: string, stopId: string) => {
    goToPart(partId);
    openStop(stopId);
    focusOn(`stop:${stopId}`, 'center');
  };
  const goToFault = (fault: Fault) => {
    // What is wrong with the way of a part is seen on the map.
    if (fault.partId && !fault.stopId && isPathFault(fault.code)) {
      showSide('path');
      chooseOnMap(fault.partId);
      return;
    }
    if (fault.partId) goToPart(fault.partId);
    openStop(fault.stopId ?? null);
    const target = targetOf(fault);
    if (target) focusOn(target, 'center');
  };
  return {
    side,
    mapPartId,
    chosenPartId,
    openStopId,
    showSide,
    chooseOnMap,
    choosePart,
    openStop,
    goToPart,
    goToStop,
    goToFault,
  };
}

function targetOf({ code, stopId, questionId }: Fault): string | null {
  if (stopId) return questionId ? `question:${questionId}` : `stop:${stopId}`;
  return code === 'titleMissing' ? 'title' : null;
}
