// What a student may see.
export {
  asWritten,
  isFull,
  type LearnerQuestion,
  type LearnerQuestionOf,
  type QuestionResult,
  toLearnerQuestion,
} from './learner-question.ts';
export {
  type LearnerAnswer,
  type LearnerBoard,
  type LearnerLesson,
  type LearnerMaterialPart,
  type LearnerPart,
  type LearnerStop,
  type LearnerView,
  learnerView,
} from './learner-view.ts';
export { showsTheSame } from './shows-the-same.ts';
