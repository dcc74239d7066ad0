import { type ChoiceOption, createItem, createOption } from '@semita/core/question';
import { useId } from 'react';
import { CheckInput } from '../../ui/check-input.tsx';
import { TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { PictureField } from '../picture/picture-field.tsx';
import type { EditorProps } from './editor-props.ts';
import { NumberInput } from './fields.tsx';
import { ItemRows } from './item-rows.tsx';
import './words.ts';

/** Answers to pick from, each with its feedback. */
export function OptionsEditor({ question, onChange }: EditorProps<'choice'>) {
  const name = useId();
  const { options, multiple } = question;
  const isMapped = options.some(({ worth }) => worth !== undefined);
  const setCorrect = (index: number, correct: boolean) =>
    onChange({
      ...question,
      options: options.map((option, i) =>
        i === index ? { ...option, correct } : multiple ? option : { ...option, correct: false },
      ),
    });
  const set = (index: number, change: Partial<ChoiceOption>) =>
    onChange({ ...question, options: options.with(index, { ...(options[index] as ChoiceOption), ...change }) });
  /** Begins from what equal shares come to, so that nothing changes until the teacher changes it. */
  const mapAll = (on: boolean) => {
    const share = Math.round(question.points / Math.max(1, options.filter(({ correct }) => correct).length));
    onChange({
      ...question,
      options: options.map(({ worth: _, ...option }) =>
        on ? { ...option, worth: option.correct ? share : -share } : option,
      ),
    });
  };
  return (
    <>
      <ItemRows
        legend={t('desk.options')}
        rowLabel={(number) => t('desk.option', { number })}
        items={options}
        min={2}
        addLabel={t('desk.addOption')}
        onAdd={() => createOption(newItemId)}
        onChange={(next) => onChange({ ...question, options: next })}
        before={(option, index) => (
          <label className="flex items-center gap-1.5 text-13">
            <input
              type={multiple ? 'checkbox' : 'radio'}
              name={name}
              className="size-4 accent-spruce"
              aria-label={`${t('desk.right')}: ${t('desk.option', { number: index + 1 })}`}
              checked={option.correct}
              onChange={(event) => setCorrect(index, event.target.checked)}
            />
            {t('desk.right')}
          </label>
        )}
        under={(option, index) => (
          <div className="grid gap-1">
            <TextInput
              aria-label={t('desk.feedback', { number: index + 1 })}
              placeholder={t('desk.feedbackHint')}
              className="h-8 border-line text-13"
              value={option.feedback}
              onChange={(event) => set(index, { feedback: event.target.value })}
            />
            {option.worth !== undefined && (
              <NumberInput
                label={t('editor.worthOf', { number: index + 1 })}
                value={option.worth / 100}
                min={-1000}
                max={1000}
                step={0.5}
                onChange={(worth) => set(index, { worth: Math.round(worth * 100) })}
              />
            )}
            {option.picture && (
              <PictureField
                label={t('editor.optionPicture', { number: index + 1 })}
                picture={option.picture}
                onChange={(picture) => set(index, { picture })}
              />
            )}
          </div>
        )}
      />
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        <CheckInput checked={question.shuffle ?? false} onChange={(shuffle) => onChange({ ...question, shuffle })}>
          {t('editor.shuffle')}
        </CheckInput>
        {multiple && (
          <CheckInput checked={isMapped} onChange={mapAll}>
            {t('editor.ownWorth')}
          </CheckInput>
        )}
      </div>
      <OptionPictures question={question} onChange={onChange} />
    </>
  );
}

/** Answers that are pictures: folded away, because most are words. */
function OptionPictures({ question, onChange }: EditorProps<'choice'>) {
  const { options } = question;
  const without = options.filter(({ picture }) => !picture);
  if (without.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer text-14 text-quiet">{t('editor.optionPictures')}</summary>
      <div className="grid gap-2 pt-2">
        {options.map((option, index) =>
          option.picture ? null : (
            <PictureField
              key={option.id}
              label={t('editor.optionPicture', { number: index + 1 })}
              picture={undefined}
              onChange={(picture) => onChange({ ...question, options: options.with(index, { ...option, picture }) })}
            />
          ),
        )}
      </div>
    </details>
  );
}

/** Answers of which none is right. */
export function PollEditor({ question, onChange }: EditorProps<'poll'>) {
  return (
    <>
      <ItemRows
        legend={t('desk.options')}
        rowLabel={(number) => t('desk.option', { number })}
        items={question.options}
        min={2}
        addLabel={t('desk.addOption')}
        onAdd={() => createItem(newItemId)}
        onChange={(options) => onChange({ ...question, options })}
      />
      <CheckInput checked={question.multiple} onChange={(multiple) => onChange({ ...question, multiple })}>
        {t('editor.severalPicks')}
      </CheckInput>
    </>
  );
}
