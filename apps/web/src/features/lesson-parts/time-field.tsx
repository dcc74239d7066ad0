import { useState } from 'react';
import { Field, TextInput } from '../../ui/field.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** Reads 65, 1:05, 1:05.5 or 1:02:03 as milliseconds; null when it is none of these. */
export function parseClock(text: string): number | null {
  const match = /^(?:(\d+):)?(?:(\d+):)?(\d+(?:[.,]\d+)?)$/.exec(text.trim());
  if (!match) return null;
  const [, first, second, last = '0'] = match;
  const hours = second === undefined ? 0 : Number(first);
  const minutes = second === undefined ? Number(first ?? 0) : Number(second);
  return Math.round(((hours * 60 + minutes) * 60 + Number(last.replace(',', '.'))) * 1000);
}

const toText = (ms: number) =>
  ms % 1000 === 0 ? formatClock(ms) : `${formatClock(ms)}.${Math.floor((ms % 1000) / 100)}`;

interface Props {
  readonly label: string;
  /** Where the place of the field says what it is; screen readers are told all the same. */
  readonly isLabelHidden?: boolean;
  readonly valueMs: number;
  readonly onChange: (ms: number) => boolean;
  /** What is said when the time is not taken. */
  readonly refusal?: string;
}

/** A place in a film, written as a clock. Taken on Enter and when the field is left. */
export function TimeField({ label, isLabelHidden = false, valueMs, onChange, refusal }: Props) {
  const [text, setText] = useState<string | null>(null);
  const [fault, setFault] = useState<'timeUnreadable' | 'windowImpossible' | null>(null);
  const commit = () => {
    if (text === null) return;
    const ms = parseClock(text);
    if (ms === null) return setFault('timeUnreadable');
    if (!onChange(ms)) return setFault('windowImpossible');
    setFault(null);
    setText(null);
  };
  return (
    <Field
      label={<span className={isLabelHidden ? 'sr-only' : undefined}>{label}</span>}
      error={fault === null ? undefined : (fault === 'windowImpossible' && refusal) || t(`desk.${fault}`)}
    >
      {(ids) => (
        <TextInput
          {...ids}
          className="h-9 w-24 font-mono text-14"
          value={text ?? toText(valueMs)}
          onChange={(event) => setText(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
          }}
        />
      )}
    </Field>
  );
}
