import type { BreakPoint, Part, ScriptLine } from '@semita/core';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { findBreaks } from './find-breaks.ts';

interface Props {
  readonly part: Part;
  readonly lines: readonly ScriptLine[];
  readonly breaks: readonly BreakPoint[] | null;
  readonly onFound: (breaks: readonly BreakPoint[] | null) => void;
  readonly onTakeAll: () => void;
}

/** Asks for places to stop, and says how many were found. */
export function SuggestStops({ part, lines, breaks, onFound, onTakeAll }: Props) {
  const [minutes, setMinutes] = useState('5');
  const [isLooking, setIsLooking] = useState(false);
  const targetMs = Math.round(Number(minutes.replace(',', '.')) * 60_000);
  const suggest = async () => {
    setIsLooking(true);
    try {
      onFound(await findBreaks({ lines, window: { inMs: part.inMs, outMs: part.outMs }, targetMs }));
    } finally {
      setIsLooking(false);
    }
  };
  return (
    <div className="flex basis-full flex-wrap items-center gap-2 text-14">
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
          <Button size="small" disabled={!(targetMs >= 10_000) || isLooking} onClick={() => void suggest()}>
            {t('breaks.suggest')}
          </Button>
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
