export type { Me } from './account-schemas.ts';
export type { AssignmentSummary, SentSheet, Sheet, SwapLine, WalkedPath } from './assignment-schemas.ts';
export type { BankItem } from './bank-schemas.ts';
export { email as emailSchema, userName as userNameSchema } from './base-schemas.ts';
export { alarmChoices } from './calendar-routes.ts';
export { classLocales } from './class-locales.ts';
export {
  type ClassSettings,
  type FirstSignIn,
  type Joinable,
  type MadeCard,
  mostPeopleAtOnce,
  type StudentSettings,
} from './class-schemas.ts';
export type { Draft, LessonSummary } from './draft-schemas.ts';
export { type ErrorBody, type ErrorCode, statusOfError } from './errors.ts';
export { maxEventsPerBatch, maxEventsPerPractice, type SentEvent } from './event-schemas.ts';
export { longestTalk, type Said, type StudentFeedback, type WroteBack } from './feedback-routes.ts';
export type { StopFigures, StudentLines, WatchingLines } from './following-schemas.ts';
export type { Gradebook, KeptGradebook, SentGradeOverride } from './gradebook-schemas.ts';
export type { GuestLink, HeldGuestLink } from './guest-routes.ts';
export { lessonSchema } from './lesson-schemas.ts';
export { type LiveMessages, type LiveName, type LiveTopic, liveNames } from './live.ts';
export type {
  AttemptDetail,
  MarkChange,
  MarkInput,
  MarkingQuestion,
  MarkMove,
  QuestionAnswers,
  ThreadPost,
} from './marking-schemas.ts';
export type { CatalogueItem, Material } from './material-schemas.ts';
export type { NoticeList, NoticeSettings } from './notice-routes.ts';
export {
  type Permission,
  permissionOf,
  permissions,
  type Relation,
  type Thing,
} from './permissions.ts';
export type { OpenedPractice, PracticeLink } from './practice-routes.ts';
export { questionSchema } from './question-schemas.ts';
export { drawingSchema } from './response-schemas.ts';
export {
  maxReviewQuestions,
  type OpenedReview,
  type ReviewOverview,
  type ReviewPreview,
  type ReviewSettings,
  type WaitingReview,
} from './review-routes.ts';
export { type Role, roles } from './roles.ts';
export type { Audience, BodyOf, OutputOf, ParamsOf, Route } from './route.ts';
export { routePaths } from './route-paths.ts';
export { type RouteName, routes } from './routes.ts';
export {
  keptChoices,
  type LogQuery,
  logKinds,
  type OneRosterPlan,
  type People,
  type PeopleQuery,
  type PersonSettings,
  type School,
  type SchoolLog,
  type SchoolSettings,
  type SentOneRoster,
} from './school-schemas.ts';
export type { Series, SeriesCell } from './series-schemas.ts';
export type { RecordStore, SentStatements } from './statement-routes.ts';
export { type ClassMastery, type ListedTarget, mostTargetsAtOnce, type StudentMastery } from './target-routes.ts';
export type { FeedbackItem, IntakeAnswer, TodoItem, Walk } from './walk-schemas.ts';
