import { createItem, gapTextOf, type QuestionOf, withGapText } from '@semita/core/question';
import { useState } from 'react';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import type { EditorProps } from './editor-props.ts';
import { SelectInput } from './fields.tsx';
import { ItemRows } from './item-rows.tsx';
import './words.ts';

type Kind = 'inlineChoice' | 'gapMatch' | 'textEntry';

/** A text with gaps, written with what belongs in them in square brackets. */
export function GapEditor({ question, onChange }: EditorProps<Kind>) {
  // What is typed is kept as it is typed: a bracket that is not closed yet is no gap yet.
  const [text, setText] = useState(() => gapTextOf(question));
  return (
    <>
      <Field label={t('editor.gapText')} help={t(`editor.gapHelp.${question.kind}`)}>
        {(ids) => (
          <TextArea
            {...ids}
            rows={3}
            placeholder={t('editor.gapHint')}
            value={text}
            onChange={(event) => {
              setText(event.target.value);
              onChange(withGapText(question, event.target.value, newItemId));
            }}
          />
        )}
      </Field>
      {question.kind === 'gapMatch' && <ExtraWords question={question} onChange={onChange} />}
      {question.kind === 'textEntry' && <ToleranceFields question={question} onChange={onChange} />}
    </>
  );
}

function ExtraWords({ question, onChange }: EditorProps<'gapMatch'>) {
  const inGaps = new Set(question.gaps.flatMap(({ correctIds }) => correctIds));
  const own = question.words.filter(({ id }) => inGaps.has(id));
  return (
    <ItemRows
      legend={t('editor.extraWords')}
      rowLabel={(number) => t('editor.extraWord', { number })}
      items={question.words.filter(({ id }) => !inGaps.has(id))}
      min={0}
      addLabel={t('editor.addExtraWord')}
      onAdd={() => createItem(newItemId)}
      onChange={(extras) => onChange({ ...question, words: [...own, ...extras] })}
    />
  );
}

function ToleranceFields({ question, onChange }: EditorProps<'textEntry'>) {
  const { tolerance } = question;
  const set = (change: Partial<QuestionOf<'textEntry'>['tolerance']>) =>
    onChange({ ...question, tolerance: { ...tolerance, ...change } });
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
      <SelectInput
        label={t('editor.slips')}
        value={String(tolerance.slips)}
        options={['0', '1', '2', '3'].map((count) => [count, t('editor.slipCount', { count: Number(count) })] as const)}
        onChange={(slips) => set({ slips: Number(slips) })}
      />
      <div className="grid gap-1 pb-1">
        <CheckInput checked={tolerance.caseMatters} onChange={(caseMatters) => set({ caseMatters })}>
          {t('editor.caseMatters')}
        </CheckInput>
        <CheckInput checked={tolerance.accentsMatter} onChange={(accentsMatter) => set({ accentsMatter })}>
          {t('editor.accentsMatter')}
        </CheckInput>
      </div>
    </div>
  );
}
