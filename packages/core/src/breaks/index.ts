// Where to stop.
export { type Loudness, loudnessBars } from './loudness.ts';
export { findSilences } from './silences.ts';
export { type BreakPoint, clearTopicShift, suggestBreaks } from './suggest-breaks.ts';
