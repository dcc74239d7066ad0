// What answers of many say.

export { type Account, type AccountEntry, accountOf, markedPoints } from './account.ts';
export { type CarriedOver, carriedOver } from './carried-over.ts';
export { type MissedStretch, missedStretches } from './catch-up.ts';
export { givenAnswersSince } from './given-answers.ts';
export { type AnswerGroup, groupAnswers } from './group-answers.ts';
export { alphaOf, fewestCompared, type ItemFigures, type ItemResult, itemFigures } from './item-figures.ts';
export {
  type KeptResult,
  type LessonFigures,
  lessonFigures,
  type QuestionFigures,
  questionsOf,
} from './lesson-figures.ts';
export {
  emptyLookBack,
  type LookBack,
  type LookBackFigures,
  lookBackOf,
  type ShownAnswer,
  weakShare,
} from './look-back.ts';
export { medianOf } from './median.ts';
export { isWrongPick, picksOf, pickWords } from './picks.ts';
export { type Mistake, type Proposal, proposeGroups, type SeenResult } from './proposals.ts';
export { type QuestionFinding, questionFindings } from './question-findings.ts';
export { bankResultsOf, fewestAnswersSeen, firstTryOf, seenDifficulty } from './seen-difficulty.ts';
// How a part was watched.
export { decodeWatching, encodeWatching } from './stored-watching.ts';
export { type WalkedPaths, walkedPaths } from './walked-paths.ts';
export {
  fewestStarters,
  type Retention,
  retentionOf,
  type WatchedLine,
  type WatchingFinding,
  watchingFindings,
} from './watching.ts';
export { type WordCount, wordCounts, wordsLeftOut } from './word-counts.ts';
