import type { LearnerQuestion, LearnerQuestionOf } from '@semita/core/learner';
import type { Response } from '@semita/core/question';

/** What a field for one kind of question is given. */
export interface FieldProps<K extends LearnerQuestion['kind']> {
  readonly question: LearnerQuestionOf<K>;
  readonly response: Response | undefined;
  readonly onChange: (response: Response) => void;
  /** The id of the words that ask, to name the field by. */
  readonly labelledBy: string;
}
