import type { ChoiceQuestion, Question } from '@semita/core';
import { Plus, Trash2, X } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field, TextArea, TextInput } from '../../ui/field.tsx';
import { focusSoon } from '../../ui/focus-soon.ts';
import { t } from '../../words/words.ts';
import { PictureField } from '../picture/picture-field.tsx';
import { RecordingField } from '../voice/recording-field.tsx';
import { createOption } from './new-stops.ts';

interface Props {
  readonly question: Question;
  readonly number: number;
  readonly onChange: (question: Question) => void;
  readonly onRemove: () => void;
}

/** One question, edited in its place in the script. */
export function QuestionEditor({ question, number, onChange, onRemove }: Props) {
  return (
    <div id={`question-${question.id}`} className="grid gap-3 border-t border-line pt-4 first:border-0 first:pt-0">
      <Field
        label={
          <span className="flex items-baseline gap-2">
            {t('desk.stem', { number })}
            <span className="text-13 font-normal text-quiet">{kindOf(question)}</span>
          </span>
        }
      >
        {(ids) => (
          <TextArea
            {...ids}
            rows={2}
            placeholder={t('desk.stemHint')}
            value={question.stem}
            onChange={(event) => onChange({ ...question, stem: event.target.value })}
          />
        )}
      </Field>
      <PictureField
        label={t('picture.ofQuestion')}
        picture={question.picture}
        onChange={(picture) => onChange({ ...question, picture })}
      />
      {question.kind === 'choice' && <OptionsEditor question={question} onChange={onChange} />}
      {question.kind === 'extendedText' && (
        <Field label={t('desk.modelAnswer')}>
          {(ids) => (
            <TextArea
              {...ids}
              value={question.modelAnswer}
              onChange={(event) => onChange({ ...question, modelAnswer: event.target.value })}
            />
          )}
        </Field>
      )}
      <div className="flex flex-wrap items-end gap-4">
        <PointsField points={question.points} onChange={(points) => onChange({ ...question, points })} />
        <details className="grow" open={question.directions !== undefined}>
          <summary className="cursor-pointer py-2 text-14 text-quiet">{t('desk.more')}</summary>
          <RecordingField
            label={t('voice.ofQuestion')}
            help={t('voice.directionsHelp')}
            title={t('voice.ofQuestionTitle', { number })}
            recording={question.directions}
            onChange={(directions) => onChange({ ...question, directions: directions ?? undefined })}
          />
          <Field label={t('desk.teacherNote')}>
            {(ids) => (
              <TextArea
                {...ids}
                value={question.teacherNote}
                onChange={(event) => onChange({ ...question, teacherNote: event.target.value })}
              />
            )}
          </Field>
        </details>
        <Button look="quiet" size="small" onClick={onRemove} aria-label={t('desk.removeQuestion', { number })}>
          <Trash2 aria-hidden className="size-4" strokeWidth={1.75} />
        </Button>
      </div>
    </div>
  );
}

function kindOf(question: Question): string {
  if (question.kind === 'extendedText') return t('desk.written');
  return t(question.several ? 'desk.choiceSeveral' : 'desk.choiceOne');
}

/** Points as teachers write them, 2 or 2.5; kept in hundredths. */
function PointsField({ points, onChange }: { readonly points: number; readonly onChange: (points: number) => void }) {
  const [text, setText] = useState<string | null>(null);
  return (
    <Field label={t('desk.points')}>
      {(ids) => (
        <TextInput
          {...ids}
          type="number"
          min={0}
          max={1000}
          step={0.5}
          className="h-9 w-20 font-mono text-14"
          value={text ?? points / 100}
          onChange={(event) => {
            setText(event.target.value);
            const hundredths = Math.round(event.target.valueAsNumber * 100);
            if (hundredths >= 0 && hundredths <= 100_000) onChange(hundredths);
          }}
          onBlur={() => setText(null)}
        />
      )}
    </Field>
  );
}

function OptionsEditor({
  question,
  onChange,
}: {
  readonly question: ChoiceQuestion;
  readonly onChange: (question: Question) => void;
}) {
  const name = useId();
  const list = useRef<HTMLFieldSetElement>(null);
  const { options, several } = question;
  const focusOption = (index: number) =>
    focusSoon(() => list.current?.querySelectorAll<HTMLInputElement>('[data-option]')[index]);
  const remove = (index: number) => {
    onChange({ ...question, options: options.toSpliced(index, 1) });
    focusOption(Math.min(index, options.length - 2));
  };
  const set = (index: number, change: Partial<ChoiceQuestion['options'][0]>) =>
    onChange({ ...question, options: options.map((option, i) => (i === index ? { ...option, ...change } : option)) });
  const setRight = (index: number, right: boolean) =>
    onChange({
      ...question,
      options: options.map((option, i) =>
        i === index ? { ...option, right } : several ? option : { ...option, right: false },
      ),
    });
  return (
    <fieldset ref={list} className="grid gap-2">
      <legend className="mb-1 text-14 font-medium">{t('desk.options')}</legend>
      {options.map((option, index) => (
        <div key={option.id} className="grid grid-cols-[auto_1fr_auto] items-center gap-x-2 gap-y-1">
          <label className="flex items-center gap-1.5 text-13">
            <input
              type={several ? 'checkbox' : 'radio'}
              name={name}
              className="size-4 accent-spruce"
              aria-label={`${t('desk.right')}: ${t('desk.option', { number: index + 1 })}`}
              checked={option.right}
              onChange={(event) => setRight(index, event.target.checked)}
            />
            {t('desk.right')}
          </label>
          <TextInput
            data-option
            aria-label={t('desk.option', { number: index + 1 })}
            placeholder={t('desk.option', { number: index + 1 })}
            className="h-9 text-14"
            value={option.text}
            onChange={(event) => set(index, { text: event.target.value })}
          />
          <Button
            look="quiet"
            size="small"
            disabled={options.length <= 2}
            aria-label={t('desk.removeOption', { number: index + 1 })}
            onClick={() => remove(index)}
          >
            <X aria-hidden className="size-4" strokeWidth={1.75} />
          </Button>
          <TextInput
            aria-label={t('desk.feedback', { number: index + 1 })}
            placeholder={t('desk.feedbackHint')}
            className="col-start-2 h-8 border-line text-13"
            value={option.feedback}
            onChange={(event) => set(index, { feedback: event.target.value })}
          />
        </div>
      ))}
      <div>
        <Button
          size="small"
          disabled={options.length >= 30}
          onClick={() => {
            onChange({ ...question, options: [...options, createOption()] });
            focusOption(options.length);
          }}
        >
          <Plus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('desk.addOption')}
        </Button>
      </div>
    </fieldset>
  );
}
