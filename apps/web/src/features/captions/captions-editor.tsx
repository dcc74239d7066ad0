import { type CaptionCue, type CueChange, cueWords, editCues, fingerprint, wordsToCue } from '@semita/core/captions';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useId, useRef, useState, useSyncExternalStore } from 'react';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { call } from '../../api/client.ts';
import { ConflictChoice } from '../../saving/conflict-choice.tsx';
import { SavedState } from '../../saving/saved-state.tsx';
import { useUnsavedGuard } from '../../saving/use-unsaved-guard.ts';
import { createWholeStore } from '../../saving/whole-store.ts';
import { Button } from '../../ui/button.tsx';
import { Select, TextArea, TextInput } from '../../ui/field.tsx';
import { HistoryButtons } from '../../ui/history-buttons.tsx';
import { historyKey } from '../../ui/history-key.ts';
import { isWriting } from '../../ui/is-writing.ts';
import { useHistory } from '../../ui/use-history.ts';
import { t } from '../../words/words.ts';
import { captionsOptions } from '../film/queries.ts';
import { TimeField } from '../lesson-parts/time-field.tsx';
import './words.ts';

interface Props {
  readonly materialId: string;
  readonly cues: readonly CaptionCue[];
  readonly onGoTo: (ms: number) => void;
  readonly onClose: () => void;
}

/** Captions corrected where they stand: words and times, split and put together, all moved or stretched. */
export function CaptionsEditor({ materialId, cues: saved, onGoTo, onClose }: Props) {
  const queryClient = useQueryClient();
  const history = useHistory(saved);
  const cues = history.now;
  const [store] = useState(() =>
    createWholeStore<readonly CaptionCue[]>({
      first: { whole: saved, print: fingerprint(saved) },
      async send(whole, before) {
        await call('correctCaptions', { params: { materialId }, body: { before: before ?? '', cues: [...whole] } });
        queryClient.setQueryData(captionsOptions(materialId).queryKey, [...whole]);
        return { print: fingerprint(whole) };
      },
      async reload() {
        const there = await call('readCaptions', { params: { materialId } });
        return { whole: there, print: fingerprint(there) };
      },
      newId: () => v7(),
    }),
  );
  const { saving } = useSyncExternalStore(store.subscribe, store.getSnapshot);
  // What was changed last is not lost when the teacher goes elsewhere at once.
  useEffect(() => store.stop, [store]);
  useUnsavedGuard(store);
  const put = useRef(saved);
  useEffect(() => {
    if (put.current === cues) return;
    put.current = cues;
    store.put(cues);
  }, [cues, store]);
  const resolve = (choice: 'keepMine' | 'dropMine') => {
    const theirs = store.resolve(choice);
    if (!theirs) return;
    history.change(theirs);
    if (choice === 'dropMine') put.current = theirs;
    else history.change(cues);
  };

  const apply = (change: CueChange): boolean => {
    const next = editCues(cues, change);
    if (!next) {
      toast(t('captions.impossible'), { id: 'captions' });
      return false;
    }
    history.change(next);
    return true;
  };
  /** Steps of the captions, not of the lesson; in a field, of what is being written. */
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = historyKey(event);
    if (!step) return;
    event.stopPropagation();
    if (isWriting(event.target)) return;
    event.preventDefault();
    history[step]();
  };
  const keys = rowKeys(cues);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: keys pressed in its fields; the buttons do the same
    <div className="px-4 pb-3" onKeyDown={onKeyDown}>
      <div className="sticky top-0 z-10 -mx-4 mb-3 grid gap-2 border-b border-line bg-card px-4 py-2">
        <div className="flex flex-wrap items-center gap-2">
          <h2 className="grow text-16">{t('captions.correcting')}</h2>
          <SavedState saving={saving} />
          <HistoryButtons {...history} />
          <Button size="small" look="main" onClick={onClose}>
            {t('captions.done')}
          </Button>
        </div>
        <AllAtOnce apply={apply} />
        {saving === 'conflict' && (
          <ConflictChoice title={t('captions.movedTitle')} help={t('captions.moved')} onResolve={resolve} />
        )}
      </div>
      <ol className="grid gap-3">
        {cues.map((cue, index) => (
          <CueRow
            key={keys[index]}
            cue={cue}
            index={index}
            isLast={index === cues.length - 1}
            apply={apply}
            onGoTo={onGoTo}
          />
        ))}
      </ol>
    </div>
  );
}

/** Words that were split or put together are a new row; a change of times is not. The same words twice are numbered. */
function rowKeys(cues: readonly CaptionCue[]): string[] {
  const seen = new Map<string, number>();
  return cues.map(({ text }) => {
    const count = (seen.get(text) ?? 0) + 1;
    seen.set(text, count);
    return `${count} ${text}`;
  });
}

interface RowProps {
  readonly cue: CaptionCue;
  readonly index: number;
  readonly isLast: boolean;
  readonly apply: (change: CueChange) => boolean;
  readonly onGoTo: (ms: number) => void;
}

function CueRow({ cue, index, isLast, apply, onGoTo }: RowProps) {
  const words = cueWords(cue.text);
  const [text, setText] = useState(words);
  const field = useRef<HTMLTextAreaElement>(null);
  const number = index + 1;
  /** Takes what was written; markup of a cue goes only where its words were changed. */
  const commit = () => text.trim() === words || apply({ type: 'text', index, text: wordsToCue(text) });
  return (
    <li className="grid gap-2 rounded-control border border-line p-2 [contain-intrinsic-size:auto_8rem] [content-visibility:auto] sm:grid-cols-[7rem_1fr]">
      <div className="grid content-start gap-1">
        <TimeField
          label={t('captions.start', { number })}
          isLabelHidden
          valueMs={cue.startMs}
          onChange={(startMs) => apply({ type: 'times', index, startMs, endMs: cue.endMs })}
        />
        <TimeField
          label={t('captions.end', { number })}
          isLabelHidden
          valueMs={cue.endMs}
          onChange={(endMs) => apply({ type: 'times', index, startMs: cue.startMs, endMs })}
        />
      </div>
      <div className="grid content-start gap-1">
        <TextArea
          ref={field}
          aria-label={t('captions.words', { number })}
          className="text-14"
          value={text}
          onFocus={() => onGoTo(cue.startMs)}
          onChange={(event) => setText(event.target.value)}
          onBlur={commit}
        />
        <div className="flex flex-wrap gap-1">
          <Button
            size="small"
            look="quiet"
            onClick={() => apply({ type: 'split', index, offset: splitPlace(cue.text, field.current) })}
          >
            {t('captions.split')}
          </Button>
          <Button size="small" look="quiet" disabled={isLast} onClick={() => apply({ type: 'merge', index })}>
            {t('captions.merge')}
          </Button>
          <Button size="small" look="quiet" onClick={() => apply({ type: 'remove', index })}>
            {t('captions.removeOne')}
          </Button>
        </div>
      </div>
    </li>
  );
}

/** Where the cursor stands, in the text with its escapes; the middle where it stands at an end. */
function splitPlace(text: string, field: HTMLTextAreaElement | null): number {
  const words = field?.value ?? '';
  const at = field?.selectionStart ?? 0;
  const place = at > 0 && at < words.length ? at : words.indexOf(' ', Math.floor(words.length / 2));
  return place < 0 ? text.length : wordsToCue(words.slice(0, place)).length;
}

const scales = { scaleNone: 1, scale25to24: 25 / 24, scale24to25: 24 / 25 } as const;
type Scale = keyof typeof scales;

function AllAtOnce({ apply }: Pick<RowProps, 'apply'>) {
  const shiftId = useId();
  const [seconds, setSeconds] = useState('');
  const [scale, setScale] = useState<Scale>('scaleNone');
  const byMs = Math.round(Number(seconds.replace(',', '.')) * 1000);
  return (
    <div className="flex flex-wrap items-center gap-2 text-14">
      <label htmlFor={shiftId} className="flex items-center gap-2">
        {t('captions.shiftLabel')}
        <TextInput
          id={shiftId}
          className="h-8 w-20 text-14"
          inputMode="decimal"
          value={seconds}
          onChange={(event) => setSeconds(event.target.value)}
        />
      </label>
      <Button
        size="small"
        disabled={!Number.isFinite(byMs) || byMs === 0}
        onClick={() => {
          if (apply({ type: 'shift', byMs })) setSeconds('');
        }}
      >
        {t('captions.shift')}
      </Button>
      <label className="flex items-center gap-2">
        {t('captions.scaleLabel')}
        <Select className="h-8" value={scale} onChange={(event) => setScale(event.target.value as Scale)}>
          {(Object.keys(scales) as Scale[]).map((one) => (
            <option key={one} value={one}>
              {t(`captions.${one}`)}
            </option>
          ))}
        </Select>
      </label>
      <Button
        size="small"
        disabled={scale === 'scaleNone'}
        onClick={() => {
          if (apply({ type: 'scale', factor: scales[scale] })) setScale('scaleNone');
        }}
      >
        {t('captions.scale')}
      </Button>
    </div>
  );
}
