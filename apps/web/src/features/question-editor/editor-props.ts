import type { Question, QuestionKind, QuestionOf } from '@semita/core/question';

/** What an editor for one kind of question is given. */
export interface EditorProps<K extends QuestionKind> {
  readonly question: QuestionOf<K>;
  readonly onChange: (question: Question) => void;
}
