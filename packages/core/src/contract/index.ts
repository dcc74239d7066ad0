export { type ErrorBody, type ErrorCode, statusOfError } from './errors.ts';
export { mostEventsPerBatch, type SentEvent } from './event-schemas.ts';
export { lessonSchema } from './lesson-schemas.ts';
export type { Audience, BodyOf, OutputOf, ParamsOf, Route } from './route.ts';
export { type RouteName, routes } from './routes.ts';
export {
  type AssignmentSummary,
  type AttemptDetail,
  type Draft,
  type IntakeAnswer,
  type LessonSummary,
  type Material,
  type Me,
  type Sheet,
  type SheetStudent,
  signInSchema,
  type TodoItem,
  type Walk,
} from './schemas.ts';
