import { joinClasses } from '../../ui/join-classes.ts';
import type { FieldProps } from './field-props.ts';
import { OptionPicture } from './option-picture.tsx';
import { RichText } from './rich-text.tsx';

export const pickable = (isPicked: boolean) =>
  joinClasses(
    'flex min-h-11 items-center gap-3 rounded-control border px-4 py-2',
    isPicked ? 'border-main bg-main-tint' : 'border-edge bg-card hover:bg-main-tint',
  );

/** Pick one, or pick several. */
export function ChoiceField({ question, response, onChange, labelledBy }: FieldProps<'choice' | 'poll'>) {
  const picked = response?.kind === 'choice' ? response.optionIds : [];
  const pick = (optionId: string) => {
    if (!question.multiple) return [optionId];
    return picked.includes(optionId) ? picked.filter((one) => one !== optionId) : [...picked, optionId];
  };
  const options = question.options.map(({ id, text, picture }) => (
    <label key={id} className={pickable(picked.includes(id))}>
      <input
        type={question.multiple ? 'checkbox' : 'radio'}
        name={question.id}
        className="size-5 shrink-0 accent-main"
        checked={picked.includes(id)}
        onChange={() => onChange({ kind: 'choice', optionIds: pick(id) })}
      />
      <span className="grid gap-1">
        {picture && <OptionPicture picture={picture} />}
        {text !== '' && <RichText text={text} />}
      </span>
    </label>
  ));
  if (question.multiple)
    return (
      // biome-ignore lint/a11y/useSemanticElements: named by the question's own words
      <div role="group" aria-labelledby={labelledBy} className="grid gap-2">
        {options}
      </div>
    );
  return (
    <div role="radiogroup" aria-labelledby={labelledBy} className="grid gap-2">
      {options}
    </div>
  );
}
