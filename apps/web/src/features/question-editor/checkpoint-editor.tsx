import type { Checkpoint, Stop } from '@semita/core/lesson';
import { createQuestion, type Question, type QuestionForm } from '@semita/core/question';
import { Library, Plus, TextCursorInput } from 'lucide-react';
import { useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { focusOn } from '../../ui/focus-target.ts';
import { t } from '../../words/words.ts';
import { BankPicker } from '../bank/bank-picker.tsx';
import { newItemId } from '../lesson-parts/new-id.ts';
import { DrawingOfQuestions } from './drawing-of-questions.tsx';
import { useEarlierQuestions } from './edited-lesson.ts';
import { formWords, KindMenu } from './kind-menu.tsx';
import { QuestionEditor } from './question-editor.tsx';
import { TypeQuestions } from './type-questions.tsx';
import './words.ts';

/** Those asked for most stand ready; the others are in the menu. */
const readyForms: readonly QuestionForm[] = ['choice', 'choiceSeveral', 'extendedText'];

interface Props {
  readonly stop: Checkpoint;
  readonly onChange: (stop: Stop) => void;
}

/** The questions of a checkpoint. */
export function CheckpointEditor({ stop, onChange }: Props) {
  const { questions } = stop;
  const earlier = useEarlierQuestions(stop.id);
  const adder = useRef<HTMLButtonElement>(null);
  const [isTyping, setIsTyping] = useState(false);
  const [isPicking, setIsPicking] = useState(false);
  const add = (added: readonly Question[], at = questions.length) => {
    onChange({ ...stop, questions: questions.toSpliced(at, 0, ...added) });
    focusOn(`question:${added[0]?.id}`);
  };
  /** A question nobody has written anything in makes room for those that were. */
  const take = (taken: readonly Question[]) =>
    onChange({ ...stop, questions: [...questions.filter((question) => !isUntouched(question)), ...taken] });
  return (
    <>
      {questions.map((question, index) => (
        <QuestionEditor
          key={question.id}
          question={question}
          number={index + 1}
          earlier={[...earlier, ...questions.slice(0, index)]}
          onChange={(next) => onChange({ ...stop, questions: questions.with(index, next) })}
          onDuplicate={() => add([{ ...structuredClone(question), id: newItemId() }], index + 1)}
          onRemove={() => {
            onChange({ ...stop, questions: questions.toSpliced(index, 1) });
            adder.current?.focus();
          }}
        />
      ))}
      <div className="flex flex-wrap items-center gap-2 border-t border-line pt-3">
        <span className="text-14 text-quiet">{t('desk.addQuestion')}</span>
        {readyForms.map((form, index) => (
          <Button
            ref={index === 0 ? adder : undefined}
            key={form}
            size="small"
            onClick={() => add([createQuestion(form, newItemId)])}
          >
            <Plus aria-hidden className="size-4" strokeWidth={1.75} />
            {formWords(form)}
          </Button>
        ))}
        <KindMenu onChoose={(form) => add([createQuestion(form, newItemId)])}>{t('editor.otherKind')}</KindMenu>
        <Button size="small" look="quiet" onClick={() => setIsTyping(true)}>
          <TextCursorInput aria-hidden className="size-4" strokeWidth={1.75} />
          {t('editor.type')}
        </Button>
        <Button size="small" look="quiet" onClick={() => setIsPicking(true)}>
          <Library aria-hidden className="size-4" strokeWidth={1.75} />
          {t('bank.from')}
        </Button>
      </div>
      <DrawingOfQuestions stop={stop} onChange={onChange} />
      {isTyping && (
        <TypeQuestions
          onClose={() => setIsTyping(false)}
          onTake={(taken) => {
            setIsTyping(false);
            take(taken);
          }}
        />
      )}
      {isPicking && (
        <BankPicker
          onClose={() => setIsPicking(false)}
          onTake={(taken) => {
            setIsPicking(false);
            take(taken);
          }}
        />
      )}
    </>
  );
}

function isUntouched(question: Question): boolean {
  return (
    question.kind === 'choice' &&
    question.stem === '' &&
    question.options.every(({ text }) => text === '') &&
    !question.picture
  );
}
