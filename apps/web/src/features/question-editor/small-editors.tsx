import { drawingGrounds } from '@semita/core/question';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextArea, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import type { EditorProps } from './editor-props.ts';
import { NumberInput, SelectInput } from './fields.tsx';
import './words.ts';

/** The ends of a scale, and, where it is no opinion, what is right on it. */
export function ScaleEditor({ question, onChange }: EditorProps<'slider'>) {
  const { min, max, step, key } = question;
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <NumberInput
          label={t('editor.min')}
          value={min}
          step="any"
          onChange={(value) => onChange({ ...question, min: value })}
        />
        <NumberInput
          label={t('editor.max')}
          value={max}
          step="any"
          onChange={(value) => onChange({ ...question, max: value })}
        />
        <NumberInput
          label={t('editor.stepSize')}
          value={step}
          min={0}
          step="any"
          onChange={(value) => onChange({ ...question, step: value })}
        />
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        {(['minLabel', 'maxLabel'] as const).map((end) => (
          <Field key={end} label={t(`editor.${end}`)}>
            {(ids) => (
              <TextInput
                {...ids}
                className="h-9 text-14"
                placeholder={t(`editor.${end}Hint`)}
                value={question[end]}
                onChange={(event) => onChange({ ...question, [end]: event.target.value })}
              />
            )}
          </Field>
        ))}
      </div>
      <CheckInput
        checked={key !== undefined}
        onChange={(on) => {
          const { key: _, ...opinion } = question;
          onChange(
            on
              ? { ...question, key: { from: min, to: min }, points: question.points || 100 }
              : { ...opinion, points: 0 },
          );
        }}
      >
        {t('editor.hasKey')}
      </CheckInput>
      {key && (
        <div className="flex flex-wrap gap-3">
          <NumberInput
            label={t('editor.keyFrom')}
            value={key.from}
            step="any"
            onChange={(from) => onChange({ ...question, key: { ...key, from } })}
          />
          <NumberInput
            label={t('editor.keyTo')}
            value={key.to}
            step="any"
            onChange={(to) => onChange({ ...question, key: { ...key, to } })}
          />
        </div>
      )}
    </>
  );
}

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** What may help to begin, and how long it should be. */
export function WrittenEditor({ question, onChange }: EditorProps<'extendedText'>) {
  const { wordBox = [], starters = [], wordRange } = question;
  const setRange = (change: { min?: number | null; max?: number | null }) => {
    const next = { min: null, max: null, ...wordRange, ...change };
    onChange({ ...question, wordRange: next.min === null && next.max === null ? undefined : next });
  };
  return (
    <details open={wordBox.length > 0 || starters.length > 0 || wordRange !== undefined}>
      <summary className="cursor-pointer text-14 text-quiet">{t('editor.support')}</summary>
      <div className="grid gap-3 pt-2">
        <div className="grid gap-3 sm:grid-cols-2">
          <LinesField
            label={t('editor.wordBox')}
            help={t('editor.perLine')}
            lines={wordBox}
            onChange={(lines) => onChange({ ...question, wordBox: lines })}
          />
          <LinesField
            label={t('editor.starters')}
            help={t('editor.perLine')}
            lines={starters}
            onChange={(lines) => onChange({ ...question, starters: lines })}
          />
        </div>
        <div className="flex flex-wrap gap-3">
          <NumberInput
            label={t('editor.minWords')}
            value={wordRange?.min ?? null}
            min={1}
            max={5000}
            onEmpty={() => setRange({ min: null })}
            onChange={(min) => setRange({ min })}
          />
          <NumberInput
            label={t('editor.maxWords')}
            value={wordRange?.max ?? null}
            min={1}
            max={5000}
            onEmpty={() => setRange({ max: null })}
            onChange={(max) => setRange({ max })}
          />
        </div>
      </div>
    </details>
  );
}

interface LinesProps {
  readonly label: string;
  readonly help: string;
  readonly lines: readonly string[];
  readonly onChange: (lines: readonly string[]) => void;
}

function LinesField({ label, help, lines, onChange }: LinesProps) {
  return (
    <Field label={label} help={help}>
      {(ids) => (
        <TextArea
          {...ids}
          className="text-14"
          defaultValue={lines.join('\n')}
          onChange={(event) =>
            onChange(
              linesOf(event.target.value)
                .slice(0, 60)
                .map((line) => line.slice(0, 500)),
            )
          }
        />
      )}
    </Field>
  );
}

export function DrawingEditor({ question, onChange }: EditorProps<'drawing'>) {
  return (
    <div className="w-fit">
      <SelectInput
        label={t('editor.ground')}
        value={question.ground}
        options={drawingGrounds.map((ground) => [ground, t(`editor.grounds.${ground}`)] as const)}
        onChange={(ground) => onChange({ ...question, ground })}
      />
    </div>
  );
}

export function UploadEditor({ question, onChange }: EditorProps<'upload'>) {
  return (
    <div>
      <NumberInput
        label={t('editor.maxFiles')}
        value={question.maxFiles}
        min={1}
        max={10}
        onChange={(maxFiles) => onChange({ ...question, maxFiles })}
      />
    </div>
  );
}

export function RecordEditor({ question, onChange }: EditorProps<'record'>) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <NumberInput
        label={t('editor.longest')}
        value={question.longestMs / 1000}
        min={5}
        max={600}
        suffix={t('editor.seconds')}
        onChange={(seconds) => onChange({ ...question, longestMs: Math.round(seconds * 1000) })}
      />
      <CheckInput checked={question.withPicture} onChange={(withPicture) => onChange({ ...question, withPicture })}>
        {t('editor.withPicture')}
      </CheckInput>
    </div>
  );
}
