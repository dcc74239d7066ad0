// The lesson: what a teacher writes.

export { type GivenAnswer, givenAnswersSince } from './analysis/given-answers.ts';
export { type AnswerGroup, groupAnswers } from './analysis/group-answers.ts';
export { bankResultsOf, seenDifficulty } from './analysis/seen-difficulty.ts';
export { type WalkedPaths, type WalkedRoute, walkedPaths } from './analysis/walked-paths.ts';
// The attempt: what a student does.
export {
  type AttemptEvent,
  type EventBody,
  type EventEnvelope,
  type LearnerEventBody,
  type MergedDrafts,
  type RefusedBody,
  type TeacherEventBody,
  teacherSittingId,
} from './attempt/attempt-event.ts';
export {
  type AfterClosing,
  type Answer,
  type AttemptState,
  type Beginning,
  beginAttempt,
  type EarlierAnswer,
  fromLearnerState,
  type PartState,
  reducerVersion,
  type StopState,
} from './attempt/attempt-state.ts';
export { type EventTraits, eventTraits } from './attempt/event-traits.ts';
export type { Refusal } from './attempt/refusal.ts';
// The assignment: when and on which terms.
export { defaultTerms, type Terms } from './attempt/terms.ts';
export { mayTryAgain, tryNumberOf } from './attempt/tries.ts';
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
export { checkLesson, type Fault, type FaultCode } from './checks/check-lesson.ts';
// The reading: a text in blocks.
// The path: which ways there are.
export { checkPath, type PathFault } from './checks/check-path.ts';
export { faultsOfDraft } from './checks/faults-of-draft.ts';
export { isPathFault, type PathFaultCode } from './checks/path-fault.ts';
export { questionFaults } from './checks/question-faults.ts';
export { checkRules, type Pick as RulePick, picksOf, questionsOfPart } from './checks/rule-answers.ts';
export { type TriedRoute, type TriedRoutes, tryRoutes } from './checks/try-routes.ts';
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
export type { BlockAnchor } from './elements/block-anchor.ts';
export type { Hundredths } from './elements/points.ts';
export type { LessonPicture, Recording } from './elements/recording.ts';
export {
  asWritten,
  isFull,
  type LearnerOption,
  type LearnerQuestion,
  type LearnerQuestionBody,
  type LearnerQuestionOf,
  type QuestionResult,
  toLearnerQuestion,
} from './learner/learner-question.ts';
export {
  type LearnerLesson,
  type LearnerMaterialPart,
  type LearnerPart,
  type LearnerState,
  type LearnerStop,
  type LearnerView,
  learnerView,
} from './learner/learner-view.ts';
export { showsTheSame } from './learner/shows-the-same.ts';
export {
  type Board,
  type BoardNeed,
  isNeedMet,
  isNeedPossible,
  needDone,
  rowsOf,
  type Tile,
  type TileColour,
  type TileKind,
  type TileTarget,
  tileColours,
  tileKinds,
} from './lesson/board.ts';
export { firstWords } from './lesson/first-words.ts';
export { groupsOf } from './lesson/groups-of.ts';
export {
  type Checkpoint,
  type Fork,
  type ForkChoice,
  hasLength,
  hasMaterial,
  type Inset,
  type Lesson,
  type LessonPart,
  type MapPlace,
  type MaterialPart,
  type MaterialPartKind,
  type Narration,
  type Part,
  type PartKind,
  type PartPlace,
  type PartTarget,
  type Pause,
  type PlacePart,
  type PlacePartKind,
  type PlacePartOf,
  partKinds,
  placeWindow,
  possiblePoints,
  type Rule,
  type RuleCondition,
  type Stop,
  stopsInOrder,
  type Target,
} from './lesson/lesson.ts';
export {
  applyChange,
  applyChanges,
  type ChangeRefusal,
  changeTarget,
  type LessonChange,
} from './lesson/lesson-change.ts';
export { type LessonLengths, lessonLengths } from './lesson/lesson-lengths.ts';
export { materialsOf, materialsOfQuestion } from './lesson/materials-of.ts';
export { refineChange } from './lesson/refine-change.ts';
export { lineTitle, type Stretch, splitMaterial, suggestStarts } from './lesson/split-material.ts';
export { nextPart, partOverLines, splitChange } from './lesson/split-part.ts';
export { isStopEdit, type StopEdit } from './lesson/stop-edit.ts';
export { type MaterialKind, materialKinds, type PartMaterialKind, wholePart } from './lesson/whole-part.ts';
export { isWithinFilm } from './lesson/within-film.ts';
// Marking and coverage: what it comes to.
export { areaHolds, areaMiddle } from './marking/area-holds.ts';
export { isKnownUnit } from './marking/mark-number.ts';
export { markResponse } from './marking/mark-response.ts';
export { rightResponse } from './marking/right-response.ts';
export { isFittingRubric, type RubricLevels, rubricPoints, rubricPossible } from './marking/rubric.ts';
export { type Verdicts, verdictsOf } from './marking/verdicts.ts';
export { bringChange, leadAgain } from './newer-version/bring-in-again.ts';
export { matchBlocks } from './newer-version/match-blocks.ts';
export { replaceMaterial } from './newer-version/replace-material.ts';
export { swapMaterial } from './newer-version/swap-material.ts';
export { applyKeyChanges, type KeyChange } from './own-lesson/apply-key-changes.ts';
export { createContext } from './own-lesson/create-context.ts';
export { ownContext, ownLesson } from './own-lesson/own-lesson.ts';
export { expandLessons, type FindEdition, type InnerEdition } from './path/expand-lessons.ts';
export { listRoutes, type Route, type RouteStep } from './path/list-routes.ts';
export { type PathFigures, pathFigures } from './path/path-figures.ts';
export { type PathEdge, type PathGraph, type PathNode, pathGraph, type Via, weighNode } from './path/path-graph.ts';
export { isAside, isStraight, isTurn, orderedStops } from './path/path-lesson.ts';
export { retargetWay } from './path/retarget-way.ts';
export { type Way, wayKey, waysOf } from './path/ways.ts';
export { changeKind } from './question/change-kind.ts';
export {
  type Drawing,
  type DrawingMark,
  drawingPointCount,
  drawingWidth,
  isMarkAt,
  mostDrawingPoints,
  type PenColour,
  penColours,
  thinStroke,
} from './question/drawing.ts';
export { gapTextOf, withGapText } from './question/gap-notation.ts';
export { createItem, createOption, createQuestion, type NewId, type QuestionForm } from './question/new-question.ts';
export { readQuestions } from './question/notation.ts';
export { picturesOf } from './question/pictures-of.ts';
export {
  type AcceptedText,
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
  type QuestionHead,
  type QuestionKind,
  type QuestionOf,
  questionKinds,
  type Rubric,
  type RubricCriterion,
  type SliderQuestion,
  type TextPiece,
} from './question/question.ts';
export {
  type HandedFile,
  isBlank,
  longestEntryLength,
  longestTextLength,
  type Response,
  type ResponseBody,
} from './question/response.ts';
export { shuffledByWords } from './question/shuffled.ts';
export {
  anchorAt,
  anchorTimeMs,
  type ReadingBlock,
  readingLengthMs,
  readingScript,
} from './reading/block.ts';
export { type LeftOut, type LeftOutCode, leftOutCodes } from './reading/left-out.ts';
export { type Looked, spendReading } from './reducer/spend-reading.ts';
export { mostHeldLength, type Outcome, replay, takeIn, takeInAll } from './reducer/take-in.ts';
export { arrivalGraceMs } from './reducer/window-gate.ts';
export { type BlockKind, blockKinds } from './script/block-kind.ts';
// The script: what the teacher reads while writing.
export { type Cue, gapOf, gapTimeMs, lineAt, type ScriptLine, scriptOf } from './script/script.ts';
export { type AttemptOutline, isLate, type Need, needOf, needs, outlineOf } from './sheet/attempt-outline.ts';
export { readSheetLine, type SheetLine, type SheetStudent } from './sheet/sheet-line.ts';
export {
  countedPoints,
  decodeSheetRow,
  encodeSheetRow,
  returnedAnswers,
  rowsReadableSince,
  type SheetRow,
  sheetRowOf,
  sheetStops,
} from './sheet/sheet-row.ts';
export { type ShownState, shownAnswer, shownStateOf } from './sheet/shown-state.ts';
export { type StopMark, type StopMarkState, stopMarkOf, stopMarkStates } from './sheet/stop-mark.ts';
export { decodeText } from './text/decode-text.ts';
export { plainWords } from './text/plain-words.ts';
export { readingTimeMs } from './text/reading-time.ts';
export { wordsOf } from './text/words.ts';
export type { Ahead } from './walk/certain-ahead.ts';
export {
  canHandIn,
  findOpenStop,
  freeParts,
  isAtEnd,
  isMaterialLocked,
  isPartFinished,
  isPartOpen,
  mayPass,
  nextPart as nextPartOf,
  nextUnsettledStop,
  openChoices,
  playLimitMs,
  seekLimitMs,
} from './walk/gates.ts';
export { progressOf } from './walk/progress.ts';
export { stopsOnRoute } from './walk/route.ts';
export { isSettled, partStateOf } from './walk/settled.ts';
export { isTimeOver, questionEndsAt, questionLimitMs, timeLimitGraceMs } from './walk/time-limit.ts';
export {
  findStop,
  type Marker,
  type WalkContext,
  type WalkLesson,
  type WalkPart,
  type WalkStop,
} from './walk/walk-lesson.ts';
