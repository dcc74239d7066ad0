// What a student may open now, and how far they have come.
export { certainAhead } from './certain-ahead.ts';
export {
  canHandIn,
  findOpenStop,
  freeParts,
  isAtEnd,
  isMaterialLocked,
  isPartOpen,
  mayPass,
  nextPart as nextPartOf,
  nextUnsettledStop,
  openChoices,
  playLimitMs,
  seekLimitMs,
} from './gates.ts';
export { stopsOnRoute } from './route.ts';
export { isSettled, partStateOf } from './settled.ts';
export { questionEndsAt, questionLimitMs } from './time-limit.ts';
export { findStop, type WalkContext, type WalkLesson, type WalkPart } from './walk-lesson.ts';
