// Kinds of questions, their answers, and questions written as plain lines.
export { changeKind } from './change-kind.ts';
export {
  type Drawing,
  type DrawingMark,
  drawingPointCount,
  drawingWidth,
  isMarkAt,
  maxDrawingPoints,
  type PenColour,
  penColours,
  thinStroke,
} from './drawing.ts';
export { gapTextOf, withGapText } from './gap-notation.ts';
export { createItem, createOption, createQuestion, type QuestionForm } from './new-question.ts';
export { readQuestions } from './notation.ts';
export { picturesOf } from './pictures-of.ts';
export {
  type Area,
  type ChoiceOption,
  type ChoiceQuestion,
  type DrawingGround,
  drawingGrounds,
  type ExtendedTextQuestion,
  type Item,
  isOpinion,
  isTeacherMarked,
  type NumericTolerance,
  type Pair,
  type Question,
  type QuestionKind,
  type QuestionOf,
  type Rubric,
  type RubricCriterion,
  type SliderQuestion,
  type TextPiece,
} from './question.ts';
export {
  type Confidence,
  confidences,
  type HandedFile,
  isBlank,
  longestEntryLength,
  longestTextLength,
  type Response,
  type ResponseBody,
} from './response.ts';
export { responseWords } from './response-words.ts';
export { shuffledByWords } from './shuffled.ts';
