import type { BreakPoint } from '@semita/core/breaks';
import { type MaterialPart, stopsInOrder } from '@semita/core/lesson';
import type { ScriptLine } from '@semita/core/script';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { TextInput } from '../../ui/field.tsx';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { findBreaks } from '../film-survey/find-breaks.ts';
import { heardOptions } from '../film-survey/survey-film.ts';
import './words.ts';

interface Props {
  readonly part: MaterialPart;
  readonly lines: readonly ScriptLine[];
  readonly breaks: readonly BreakPoint[] | null;
  readonly onFound: (breaks: readonly BreakPoint[] | null) => void;
  readonly onTakeAll: () => void;
}

/** Asks for places to stop, and says how many were found. */
export function SuggestStops({ part, lines, breaks, onFound, onTakeAll }: Props) {
  const [minutes, setMinutes] = useState('5');
  /** How much of the sound was heard; null while nobody listens. */
  const [heard, setHeard] = useState<number | null>(null);
  const targetMs = Math.round(Number(minutes.replace(',', '.')) * 60_000);
  const queryClient = useQueryClient();
  /** A sound that cannot be heard is no reason to suggest nothing. */
  const listen = () => queryClient.fetchQuery(heardOptions(part.materialId, setHeard)).catch(() => null);
  const suggest = async () => {
    setHeard(0);
    const silences = part.kind === 'clip' ? (await listen())?.silences : undefined;
    const found = await findBreaks({
      lines,
      windows: stretchesOf(part),
      targetMs,
      silences: silences?.length ? silences : null,
    });
    onFound(found);
    setHeard(null);
  };
  return (
    <div className="flex grow flex-wrap items-center gap-2 text-14">
      {breaks === null ? (
        <>
          <label htmlFor="stretch-minutes">{t('breaks.every')}</label>
          <TextInput
            id="stretch-minutes"
            className="h-8 w-14 text-14"
            inputMode="decimal"
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
          />
          <span>{t('breaks.minutes')}</span>
          <Button size="small" disabled={!(targetMs >= 10_000) || heard !== null} onClick={() => void suggest()}>
            {t('breaks.suggest')}
          </Button>
          {heard !== null && (
            <span role="status" className="text-quiet">
              {t('breaks.listening', { share: formatShare(heard) })}
            </span>
          )}
        </>
      ) : (
        <>
          <span role="status" className="grow text-quiet">
            {t('breaks.found', { count: breaks.length })}
          </span>
          {breaks.length > 0 && (
            <Button size="small" onClick={onTakeAll}>
              {t('breaks.takeAll')}
            </Button>
          )}
          <Button size="small" look="quiet" onClick={() => onFound(null)}>
            {t('breaks.close')}
          </Button>
        </>
      )}
    </div>
  );
}

/** What lies between the stops that stand already. */
function stretchesOf({ inMs, outMs, stops }: MaterialPart): { inMs: number; outMs: number }[] {
  const inside = stopsInOrder(stops).filter((stop) => stop.atMs > inMs && stop.atMs < outMs);
  const edges = [inMs, ...inside.map((stop) => stop.atMs), outMs];
  return edges.slice(1).map((edge, index) => ({ inMs: edges[index] as number, outMs: edge }));
}
