import { toLearnerQuestion } from '@semita/core/learner';
import { type Question, type Response, shuffledByWords } from '@semita/core/question';
import { useState } from 'react';
import { t } from '../../words/words.ts';
import { kindWords } from '../question/kind-words.ts';
import { QuestionBlock } from '../question/question-block.tsx';
import './words.ts';

/** A question as a student will meet it. What is tried here is kept nowhere. */
export function QuestionPreview({ question }: { readonly question: Question }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <details className="w-full" onToggle={(event) => setIsOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer py-1 text-14 text-main">{t('editor.preview')}</summary>
      {isOpen && <ShownQuestion question={question} />}
    </details>
  );
}

export function ShownQuestion({ question }: { readonly question: Question }) {
  const [response, setResponse] = useState<Response | undefined>();
  const [isHinted, setIsHinted] = useState(false);
  return (
    <div className="mt-1 rounded-control border border-line bg-card p-4">
      <QuestionBlock
        key={question.kind}
        question={toLearnerQuestion(question, (name, items) => shuffledByWords(items, `preview ${name}`))}
        place={kindWords(question)}
        response={response}
        hint={isHinted ? question.hint?.text : undefined}
        onChange={setResponse}
        onHint={() => setIsHinted(true)}
      />
    </div>
  );
}
