import { longestTextLength } from '@semita/core/question';
import { Mic, MicOff } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { TextArea } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { canDictate, dictate } from './dictate.ts';
import type { FieldProps } from './field-props.ts';
import './words.ts';

/** A written answer, with what may help to begin it. */
export function WrittenField({ question, response, onChange, labelledBy }: FieldProps<'extendedText' | 'discussion'>) {
  const area = useRef<HTMLTextAreaElement>(null);
  const text = response?.kind === 'extendedText' ? response.text : '';
  const { wordBox, starters, wordRange } =
    question.kind === 'extendedText' ? question : { wordBox: [], starters: [], wordRange: null };
  const write = (words: string) => onChange({ kind: 'extendedText', text: words.slice(0, longestTextLength) });
  const insert = (words: string) => {
    const element = area.current;
    const at = element?.selectionStart ?? text.length;
    const before = text.slice(0, at);
    const gap = before === '' || /\s$/u.test(before) ? '' : ' ';
    write(`${before}${gap}${words}${text.slice(element?.selectionEnd ?? at)}`);
    const caret = at + gap.length + words.length;
    requestAnimationFrame(() => {
      element?.focus();
      element?.setSelectionRange(caret, caret);
    });
  };
  return (
    <div className="grid gap-2">
      {starters.length > 0 && (
        <Helps label={t('question.starters')} words={starters} onPick={(words) => insert(`${words} `)} />
      )}
      {wordBox.length > 0 && (
        <Helps label={t('question.wordBox')} words={wordBox} used={(word) => holds(text, word)} onPick={insert} />
      )}
      <TextArea
        ref={area}
        aria-labelledby={labelledBy}
        rows={4}
        maxLength={longestTextLength}
        className="min-h-28"
        placeholder={t('walk.writeHere')}
        value={text}
        onChange={(event) => write(event.target.value)}
      />
      <div className="flex flex-wrap items-center justify-between gap-2 text-14 text-quiet">
        <Counter text={text} range={wordRange} />
        {canDictate() && <Dictation onWords={(words) => insert(words)} />}
      </div>
    </div>
  );
}

function holds(text: string, word: string): boolean {
  return text.toLowerCase().includes(word.toLowerCase());
}

interface HelpsProps {
  readonly label: string;
  readonly words: readonly string[];
  readonly used?: (word: string) => boolean;
  readonly onPick: (word: string) => void;
}

function Helps({ label, words, used = () => false, onPick }: HelpsProps) {
  return (
    <fieldset>
      <legend className="mb-1 text-14 text-quiet">{label}</legend>
      <div className="flex flex-wrap gap-1.5">
        {words.map((word) => (
          <Button key={word} className="h-auto min-h-9 py-1 whitespace-normal" onClick={() => onPick(word)}>
            <span className={used(word) ? 'text-quiet line-through' : undefined}>{word}</span>
          </Button>
        ))}
      </div>
    </fieldset>
  );
}

interface CounterProps {
  readonly text: string;
  readonly range: { readonly min: number | null; readonly max: number | null } | null;
}

function Counter({ text, range }: CounterProps) {
  const count = countWords(text);
  const least = range?.min ?? null;
  const most = range?.max ?? null;
  const isOff = count > 0 && ((least !== null && count < least) || (most !== null && count > most));
  return (
    <p>
      <span className={isOff ? 'text-marigold-ink' : undefined}>{t('question.words', { count })}</span>
      {least !== null && most !== null && ` ${t('question.wordsBetween', { least, most })}`}
      {least !== null && most === null && ` ${t('question.wordsLeast', { least })}`}
      {least === null && most !== null && ` ${t('question.wordsMost', { most })}`}
      {`, ${t('question.characters', { count: [...text].length })}`}
    </p>
  );
}

/** Words as the browser's own language tools see them, so that texts without spaces are counted too. */
function countWords(text: string): number {
  let count = 0;
  for (const { isWordLike } of new Intl.Segmenter(undefined, { granularity: 'word' }).segment(text.slice(0, 20_000)))
    if (isWordLike) count++;
  return count;
}

function Dictation({ onWords }: { readonly onWords: (words: string) => void }) {
  const [stop, setStop] = useState<(() => void) | null>(null);
  const latest = useRef(onWords);
  latest.current = onWords;
  useEffect(() => () => stop?.(), [stop]);
  const Icon = stop ? MicOff : Mic;
  return (
    <Button
      look="quiet"
      aria-pressed={stop !== null}
      onClick={() => {
        if (stop) return stop();
        const ending = dictate({ onWords: (words) => latest.current(words), onEnd: () => setStop(null) });
        setStop(() => ending);
      }}
    >
      <Icon aria-hidden className="size-4" strokeWidth={1.75} />
      {t(stop ? 'question.stopDictation' : 'question.dictate')}
    </Button>
  );
}
