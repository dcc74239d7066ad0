import { changeKind, isOpinion, type Question, type QuestionForm } from '@semita/core/question';
import { Copy, Trash2 } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { t } from '../../words/words.ts';
import { KeepInBank } from '../bank/keep-in-bank.tsx';
import { newItemId } from '../lesson-parts/new-id.ts';
import { PictureField } from '../picture/picture-field.tsx';
import { kindWords } from '../question/kind-words.ts';
import { EditorOfKind } from './editor-of-kind.tsx';
import { NumberInput } from './fields.tsx';
import { KindMenu } from './kind-menu.tsx';
import { usePictureDrop } from './picture-drop.ts';
import { QuestionDetails } from './question-details.tsx';
import { QuestionPreview } from './question-preview.tsx';
import './words.ts';

interface Props {
  readonly question: Question;
  readonly number: number;
  readonly earlier: readonly Pick<Question, 'id' | 'stem'>[];
  readonly onChange: (question: Question) => void;
  /** Where it stands among others. */
  readonly onDuplicate?: (() => void) | undefined;
  readonly onRemove?: (() => void) | undefined;
}

/** One question, edited in its place in the script. */
export function QuestionEditor({ question, number, earlier, onChange, onDuplicate, onRemove }: Props) {
  const stem = useFocusTarget<HTMLTextAreaElement>(`question:${question.id}`);
  const drop = usePictureDrop((materialId) => onChange({ ...question, picture: { materialId, alt: '' } }));
  return (
    <div
      data-edited-question={question.id}
      {...drop}
      className="grid grid-cols-[minmax(0,1fr)] gap-3 border-t border-line pt-4 first:border-0 first:pt-0"
    >
      <div className="flex flex-wrap items-center justify-between gap-2">
        <p aria-hidden className="text-14 font-medium">
          {t('desk.stem', { number })}
        </p>
        <div className="flex items-center gap-1">
          <KindMenu
            label={t('editor.changeKind', { kind: kindWords(question) })}
            look="quiet"
            onChoose={(form: QuestionForm) => onChange(changeKind(question, form, newItemId))}
          >
            {kindWords(question)}
          </KindMenu>
          {onDuplicate && (
            <>
              <KeepInBank
                question={question}
                number={number}
                onKept={(bankItemId) => onChange({ ...question, bankItemId })}
              />
              <Button look="quiet" size="small" onClick={onDuplicate} aria-label={t('editor.duplicate', { number })}>
                <Copy aria-hidden className="size-4" strokeWidth={1.75} />
              </Button>
            </>
          )}
          {onRemove && (
            <Button look="quiet" size="small" onClick={onRemove} aria-label={t('desk.removeQuestion', { number })}>
              <Trash2 aria-hidden className="size-4" strokeWidth={1.75} />
            </Button>
          )}
        </div>
      </div>
      <Field label={<span className="sr-only">{t('desk.stem', { number })}</span>}>
        {(ids) => (
          <TextArea
            {...ids}
            ref={stem}
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
      <EditorOfKind key={question.kind} question={question} onChange={onChange} />
      {!isOpinion(question) && (
        <div>
          <NumberInput
            label={t('desk.points')}
            value={question.points / 100}
            min={0}
            max={1000}
            step={0.5}
            className="w-20"
            onChange={(points) => onChange({ ...question, points: Math.round(points * 100) })}
          />
        </div>
      )}
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <details className="grow">
          <summary className="cursor-pointer py-1 text-14 text-main">{t('editor.details')}</summary>
          <QuestionDetails {...{ question, number, earlier, onChange }} />
        </details>
        <QuestionPreview question={question} />
      </div>
    </div>
  );
}
