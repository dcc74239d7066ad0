// What a student does: events, and the state they come to.
export {
  type AttemptEvent,
  type EventBody,
  type LearnerEventBody,
  type MergedDrafts,
  type TeacherEventBody,
  teacherSittingId,
} from './attempt-event.ts';
export {
  type Answer,
  type AttemptState,
  type Beginning,
  beginAttempt,
  type EarlierAnswer,
  fromLearnerState,
  type PartState,
  type Rewind,
  reducerVersion,
  type Spell,
  type StopState,
} from './attempt-state.ts';
export { eventTraits } from './event-traits.ts';
export { defaultTerms, type LateWork, type ShownTerms, type ShownWhen, shownWhens, type Terms } from './terms.ts';
export { tryNumberOf } from './tries.ts';
