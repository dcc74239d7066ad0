import { isOpinion, isTeacherMarked, type Question } from '@semita/core/question';
import { useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextArea, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { targetsOptions } from '../targets/queries.ts';
import { RecordingField } from '../voice/recording-field.tsx';
import { NumberInput, SelectInput } from './fields.tsx';
import { RubricEditor } from './rubric-editor.tsx';
import './words.ts';
import '../voice/words.ts';

interface Props {
  readonly question: Question;
  readonly number: number;
  /** Earlier questions of the lesson with which an answer can be compared. */
  readonly earlier: readonly Pick<Question, 'id' | 'stem'>[];
  readonly onChange: (question: Question) => void;
}

/** What every question can carry besides its words and its answers. */
export function QuestionDetails({ question, number, earlier, onChange }: Props) {
  const { feedback = {}, hint, tries, timeLimitMs } = question;
  const { data: targets = [] } = useQuery(targetsOptions());
  const targetList = useId();
  const canBeTried = !isTeacherMarked(question.kind) && !isOpinion(question);
  const prose = (label: string, value: string | undefined, set: (text: string) => void, help?: string) => (
    <Field label={label} help={help}>
      {(ids) => (
        <TextArea
          {...ids}
          className="min-h-9 text-14"
          rows={1}
          value={value ?? ''}
          onChange={(event) => set(event.target.value)}
        />
      )}
    </Field>
  );
  return (
    <div className="grid gap-4 pt-2">
      {canBeTried && (
        <fieldset className="grid gap-2">
          <legend className="mb-1 text-14 font-medium">{t('editor.say')}</legend>
          {(['correct', 'partly', 'wrong'] as const).map((outcome) => (
            <TextInput
              key={outcome}
              aria-label={t(`editor.outcome.${outcome}`)}
              placeholder={t(`editor.outcome.${outcome}`)}
              className="h-9 text-14"
              value={feedback[outcome] ?? ''}
              onChange={(event) => onChange({ ...question, feedback: { ...feedback, [outcome]: event.target.value } })}
            />
          ))}
        </fieldset>
      )}
      <div className="grid gap-2">
        <CheckInput
          checked={hint !== undefined}
          onChange={(on) => onChange({ ...question, hint: on ? { text: '', cost: 0 } : undefined })}
        >
          {t('editor.hasHint')}
        </CheckInput>
        {hint && (
          <div className="grid items-start gap-3 sm:grid-cols-[1fr_auto]">
            {prose(t('editor.hint'), hint.text, (text) => onChange({ ...question, hint: { ...hint, text } }))}
            <NumberInput
              label={t('editor.hintCost')}
              value={hint.cost / 100}
              min={0}
              max={1000}
              step={0.5}
              onChange={(cost) => onChange({ ...question, hint: { ...hint, cost: Math.round(cost * 100) } })}
            />
          </div>
        )}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        {canBeTried && (
          <NumberInput
            label={t('editor.tries')}
            value={tries?.count ?? 1}
            min={1}
            max={10}
            onChange={(count) =>
              onChange({ ...question, tries: count > 1 ? { laterPercent: 50, ...tries, count } : undefined })
            }
          />
        )}
        {canBeTried && tries && (
          <NumberInput
            label={t('editor.laterPercent')}
            value={tries.laterPercent}
            min={0}
            max={100}
            suffix="%"
            onChange={(laterPercent) => onChange({ ...question, tries: { ...tries, laterPercent } })}
          />
        )}
        <NumberInput
          label={t('editor.timeLimit')}
          value={timeLimitMs === undefined ? null : timeLimitMs / 1000}
          min={5}
          max={7200}
          suffix={t('editor.seconds')}
          onEmpty={() => onChange({ ...question, timeLimitMs: undefined })}
          onChange={(seconds) => onChange({ ...question, timeLimitMs: Math.round(seconds * 1000) })}
        />
      </div>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        <CheckInput
          checked={question.mayBeBlank ?? false}
          onChange={(mayBeBlank) => onChange({ ...question, mayBeBlank })}
        >
          {t('editor.mayBeBlank')}
        </CheckInput>
        <CheckInput
          checked={question.asksConfidence ?? false}
          onChange={(asksConfidence) => onChange({ ...question, asksConfidence })}
        >
          {t('editor.asksConfidence')}
        </CheckInput>
      </div>
      <RecordingField
        label={t('voice.ofQuestion')}
        help={t('voice.directionsHelp')}
        title={t('voice.ofQuestionTitle', { number })}
        recording={question.directions}
        onChange={(directions) => onChange({ ...question, directions: directions ?? undefined })}
      />
      <RecordingField
        label={t('editor.sound')}
        title={t('editor.soundTitle', { number })}
        recording={question.sound}
        onChange={(sound) => onChange({ ...question, sound: sound ?? undefined })}
      />
      {isTeacherMarked(question.kind) && <RubricEditor question={question} onChange={onChange} />}
      {prose(
        t('editor.modelAnswer'),
        question.modelAnswer,
        (modelAnswer) => onChange({ ...question, modelAnswer }),
        t('editor.modelAnswerHelp'),
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <Field label={t('editor.target')}>
          {(ids) => (
            <TextInput
              {...ids}
              className="h-9 text-14"
              list={targetList}
              placeholder={t('editor.targetHint')}
              value={question.target ?? ''}
              onChange={(event) => onChange({ ...question, target: event.target.value })}
            />
          )}
        </Field>
        <datalist id={targetList}>
          {targets.map(({ id, code, words }) => (
            <option key={id} value={code}>
              {words}
            </option>
          ))}
        </datalist>
        {earlier.length > 0 && (
          <SelectInput
            label={t('editor.comparedWith')}
            value={question.comparedWith ?? ''}
            options={[
              ['', t('editor.comparedWithNone')],
              ...earlier.map(({ id, stem }) => [id, stem.slice(0, 60)] as const),
            ]}
            onChange={(id) => onChange({ ...question, comparedWith: id === '' ? undefined : id })}
          />
        )}
      </div>
      {prose(t('desk.teacherNote'), question.teacherNote, (teacherNote) => onChange({ ...question, teacherNote }))}
    </div>
  );
}
