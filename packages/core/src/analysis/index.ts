// What answers of many say.
export { type CarriedOver, carriedOver } from './carried-over.ts';
export { givenAnswersSince } from './given-answers.ts';
export { type AnswerGroup, groupAnswers } from './group-answers.ts';
export { bankResultsOf, seenDifficulty } from './seen-difficulty.ts';
export { type WalkedPaths, walkedPaths } from './walked-paths.ts';
