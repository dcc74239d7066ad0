import type { Question } from '@semita/core/question';
import { EditorOfKind } from './editor-of-kind.tsx';

interface Props {
  readonly question: Question;
  readonly onChange: (question: Question) => void;
}

/** What is right in a question, to be put right. */
export function KeyEditor({ question, onChange }: Props) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <EditorOfKind question={question} onChange={onChange} />
    </div>
  );
}
