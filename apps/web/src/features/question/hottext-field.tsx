import { joinClasses } from '../../ui/join-classes.ts';
import type { FieldProps } from './field-props.ts';
import './words.ts';

/** A text in which words are pointed at. */
export function HottextField({ question, response, onChange, labelledBy }: FieldProps<'hottext'>) {
  const picked = response?.kind === 'choice' ? response.optionIds : [];
  const pick = (id: string) => {
    if (picked.includes(id)) return picked.filter((one) => one !== id);
    return question.multiple ? [...picked, id] : [id];
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot hold words that flow
    <div role="group" aria-labelledby={labelledBy} className="leading-10 whitespace-pre-wrap">
      {question.words.map(({ id, text, isPlain }) =>
        isPlain ? (
          <span key={id}>{text}</span>
        ) : (
          <button
            key={id}
            type="button"
            aria-pressed={picked.includes(id)}
            onClick={() => onChange({ kind: 'choice', optionIds: pick(id) })}
            className={joinClasses(
              'min-h-8 rounded-control border px-1.5 leading-tight',
              picked.includes(id)
                ? 'border-main bg-main text-on-main'
                : 'border-edge border-dashed bg-card hover:bg-main-tint',
            )}
          >
            {text}
          </button>
        ),
      )}
    </div>
  );
}
