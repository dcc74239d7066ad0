export { classLocales } from './class-locales.ts';
export { type ErrorBody, type ErrorCode, statusOfError } from './errors.ts';
export { mostEventsPerBatch, type SentEvent } from './event-schemas.ts';
export { lessonSchema } from './lesson-schemas.ts';
export { type LiveMessages, type LiveName, type LiveTopic, liveNames } from './live.ts';
export {
  type Permission,
  permissionOf,
  permissions,
  type Relation,
  type Thing,
} from './permissions.ts';
export { questionSchema } from './question-schemas.ts';
export { drawingSchema } from './response-schemas.ts';
export { type Role, roles } from './roles.ts';
export type { Audience, BodyOf, OutputOf, ParamsOf, Route } from './route.ts';
export { routePaths } from './route-paths.ts';
export { type RouteName, routes } from './routes.ts';
export type {
  AssignmentSummary,
  AttemptDetail,
  BankItem,
  CatalogueItem,
  ClassSettings,
  Draft,
  FeedbackItem,
  IntakeAnswer,
  LessonSummary,
  MarkChange,
  MarkInput,
  MarkingQuestion,
  MarkMove,
  Material,
  Me,
  QuestionAnswers,
  SentSheet,
  Sheet,
  StudentSettings,
  ThreadPost,
  TodoItem,
  Walk,
  WalkedPath,
} from './schemas.ts';
