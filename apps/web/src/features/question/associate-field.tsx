import type { Pair } from '@semita/core/question';
import { Link2, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import type { FieldProps } from './field-props.ts';
import { RichText } from './rich-text.tsx';
import './words.ts';

/** What belongs together: one is pressed, then the other. */
export function AssociateField({ question, response, onChange, labelledBy }: FieldProps<'associate'>) {
  const pairs = response?.kind === 'pairs' ? response.pairs : [];
  const [firstId, setFirstId] = useState<string | null>(null);
  const textOf = (id: string) => question.items.find((item) => item.id === id)?.text ?? '';
  const free = question.items.filter(({ id }) => !pairs.some((pair) => pair.includes(id)));
  const press = (id: string) => {
    if (firstId === null) return setFirstId(id);
    setFirstId(null);
    if (firstId !== id) onChange({ kind: 'pairs', pairs: [...pairs, [firstId, id] satisfies Pair] });
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: named by the question's own words
    <div role="group" aria-labelledby={labelledBy} className="grid gap-3">
      {free.length > 0 && (
        <div className="flex flex-wrap gap-2 rounded-control border border-line bg-paper p-3">
          {free.map(({ id, text }) => (
            <button
              key={id}
              type="button"
              aria-pressed={firstId === id}
              onClick={() => press(id)}
              className={joinClasses(
                'min-h-11 rounded-control border px-3 py-1.5',
                firstId === id ? 'border-main bg-main text-on-main' : 'border-edge bg-card hover:bg-main-tint',
              )}
            >
              <RichText text={text} />
            </button>
          ))}
        </div>
      )}
      <p role="status" className="text-14 text-quiet">
        {firstId === null ? t('question.associateHelp') : t('question.associateOther', { item: textOf(firstId) })}
      </p>
      <ul className="grid gap-2">
        {pairs.map(([a, b], index) => (
          <li
            key={a}
            className="flex min-h-11 items-center gap-2 rounded-control border border-main bg-main-tint py-1 pr-1 pl-3"
          >
            <RichText text={textOf(a)} />
            <Link2 aria-hidden className="size-4 shrink-0 text-main" strokeWidth={1.75} />
            <RichText text={textOf(b)} className="grow" />
            <Button
              look="quiet"
              aria-label={t('question.unpair', { a: textOf(a), b: textOf(b) })}
              onClick={() => onChange({ kind: 'pairs', pairs: pairs.toSpliced(index, 1) })}
            >
              <X aria-hidden className="size-4" strokeWidth={1.75} />
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
