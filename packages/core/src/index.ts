// The lesson: what a teacher writes.

// The attempt: what a student does.
export {
  type AttemptEvent,
  type EventBody,
  type EventEnvelope,
  type LearnerEventBody,
  type TeacherEventBody,
  teacherSittingId,
} from './attempt/attempt-event.ts';
export {
  type Answer,
  type AttemptState,
  beginAttempt,
  type PartState,
  type Refusal,
  type StopState,
} from './attempt/attempt-state.ts';
export {
  canHandIn,
  findOpenStop,
  isMaterialLocked,
  isPartFinished,
  isPartOpen,
  isSettled,
  mayPass,
  nextUnsettledStop,
  partStateOf,
  playLimitMs,
  seekLimitMs,
} from './attempt/gates.ts';
export {
  type LearnerLesson,
  type LearnerPart,
  type LearnerQuestion,
  type LearnerStop,
  type LearnerView,
  learnerView,
  type QuestionResult,
} from './attempt/learner-view.ts';
export { progressOf } from './attempt/progress.ts';
export {
  decodeSheetRow,
  encodeSheetRow,
  isLate,
  type Need,
  needOf,
  needs,
  type SheetRow,
  sheetRowOf,
  sheetStops,
} from './attempt/sheet-row.ts';
export { type StopMark, type StopMarkState, stopMarkOf, stopMarkStates } from './attempt/stop-mark.ts';
export { type Outcome, takeIn, takeInAll } from './attempt/take-in.ts';
// The assignment: when and on which terms.
export { defaultTerms, type Terms } from './attempt/terms.ts';
export {
  createContext,
  findStop,
  type Marker,
  type WalkContext,
  type WalkLesson,
  type WalkStop,
} from './attempt/walk-lesson.ts';
export { type Loudness, loudnessBars } from './breaks/loudness.ts';
export { findSilences } from './breaks/silences.ts';
export { type BreakPoint, clearTopicShift, suggestBreaks } from './breaks/suggest-breaks.ts';
export {
  type AssignmentWindow,
  type WindowFault,
  type WindowPhase,
  windowFault,
  windowPhase,
} from './calendar/window.ts';
export { cueWords } from './captions/caption-cue.ts';
export {
  addInterval,
  type Coverage,
  coverageOf,
  coverageStrip,
  type Interval,
  metMs,
  metShare,
  type Segment,
} from './coverage/coverage.ts';
export { inkOn, type MadeDeck, type MadeSlide, madeSlideSize, materialsOfSlides } from './deck/made-slide.ts';
export { deckScript, type Slide, slideLengthMs } from './deck/slide.ts';
export { checkLesson, type Fault, type FaultCode, isWithinFilm } from './lesson/check-lesson.ts';
export {
  type BlockAnchor,
  type Checkpoint,
  type ChoiceOption,
  type ChoiceQuestion,
  type ExtendedTextQuestion,
  type Hundredths,
  type Inset,
  type Lesson,
  type LessonPicture,
  type Narration,
  type Part,
  type PartKind,
  type Pause,
  partKinds,
  possiblePoints,
  type Question,
  type Recording,
  type Stop,
  stopsInOrder,
} from './lesson/lesson.ts';
export {
  applyChange,
  applyChanges,
  type ChangeRefusal,
  changeTarget,
  type LessonChange,
} from './lesson/lesson-change.ts';
export { type LessonLengths, lessonLengths } from './lesson/lesson-lengths.ts';
export { materialsOf } from './lesson/materials-of.ts';
export { lineTitle, type Stretch, splitMaterial, suggestStarts } from './lesson/split-material.ts';
export { nextPart, partOverLines, splitPart } from './lesson/split-part.ts';
export { type MaterialKind, materialKinds, type PartMaterialKind, wholePart } from './lesson/whole-part.ts';
// Marking and coverage: what it comes to.
export { markResponse } from './marking/mark-response.ts';
export { isBlank, longestTextLength, type Response } from './marking/response.ts';
// The reading: a text in blocks.
export {
  anchorAt,
  anchorTimeMs,
  type ReadingBlock,
  readingLengthMs,
  readingScript,
} from './reading/block.ts';
export { type BlockKind, blockKinds } from './reading/block-kind.ts';
export { type BroughtAgain, bringInAgain } from './reading/bring-in-again.ts';
export { type LeftOut, type LeftOutCode, leftOutCodes } from './reading/left-out.ts';
export { matchBlocks } from './reading/match-blocks.ts';
export { replaceMaterial } from './reading/replace-material.ts';
export { type Looked, spendReading } from './reading/spend-reading.ts';
// The script: what the teacher reads while writing.
export { type Cue, gapOf, gapTimeMs, lineAt, type ScriptLine, scriptOf } from './script/script.ts';
export { decodeText } from './text/decode-text.ts';
export { readingTimeMs } from './text/reading-time.ts';
export { wordsOf } from './text/words.ts';
