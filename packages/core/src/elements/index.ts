// What everything is made of.

export type { BlockAnchor } from './block-anchor.ts';
export { groupBy } from './group-by.ts';
export type { Hundredths } from './points.ts';
export type { LessonPicture, Recording } from './recording.ts';
