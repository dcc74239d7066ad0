import { type Question, readQuestions } from '@semita/core/question';
import { useDeferredValue, useMemo, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Dialog, DialogClose } from '../../ui/dialog.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { ShownQuestion } from './question-preview.tsx';
import './words.ts';

/** More than a worksheet holds. */
const maxQuestions = 50;

interface Props {
  readonly onTake: (questions: readonly Question[]) => void;
  readonly onClose: () => void;
}

/** Questions typed or pasted as plain lines, with what they will look like beside them. */
export function TypeQuestions({ onTake, onClose }: Props) {
  const [text, setText] = useState('');
  const settled = useDeferredValue(text);
  const questions = useMemo(() => readQuestions(settled, newItemId).slice(0, maxQuestions), [settled]);
  return (
    <Dialog open place="wide" onOpenChange={(open) => !open && onClose()} title={t('editor.typeTitle')}>
      <div className="grid gap-5 lg:grid-cols-2">
        <div className="grid content-start gap-3">
          <Field label={t('editor.lines')}>
            {(ids) => (
              <TextArea
                {...ids}
                autoFocus
                rows={14}
                className="font-mono text-14"
                placeholder={t('editor.linesHint')}
                value={text}
                maxLength={100_000}
                onChange={(event) => setText(event.target.value)}
              />
            )}
          </Field>
          <details>
            <summary className="cursor-pointer text-14 text-main">{t('editor.notation')}</summary>
            <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 pt-2 text-14">
              {notation.map(([sign, key]) => (
                <div key={sign} className="contents">
                  <dt className="font-mono text-13">{sign}</dt>
                  <dd>{t(`editor.notationOf.${key}`)}</dd>
                </div>
              ))}
            </dl>
          </details>
          <div className="flex gap-2">
            <Button look="main" disabled={questions.length === 0} onClick={() => onTake(questions)}>
              {t('editor.takeQuestions', { count: questions.length })}
            </Button>
            <DialogClose>{t('app.close')}</DialogClose>
          </div>
        </div>
        <section aria-label={t('editor.preview')} className="grid max-h-[60dvh] content-start gap-3 overflow-y-auto">
          {questions.length === 0 ? (
            <p className="text-quiet">{t('editor.previewEmpty')}</p>
          ) : (
            questions.map((question, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: with every key that is pressed all are read anew
              <ShownQuestion key={index} question={question} />
            ))
          )}
        </section>
      </div>
    </Dialog>
  );
}

const notation = [
  ['- [x] …', 'right'],
  ['- [ ] …', 'wrong'],
  ['… :: …', 'feedback'],
  ['- …', 'opinion'],
  ['1. …', 'order'],
  ['- … -> …', 'match'],
  ['= 3.2 kN ± 5 %', 'number'],
  ['[thrust|push=50]', 'gap'],
  ['> …', 'model'],
  ['(3 points)', 'points'],
  ['? …', 'hint'],
  ['! …', 'note'],
] as const;
