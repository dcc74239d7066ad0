// Documents.
export { anchorAt, anchorTimeMs, type ReadingBlock, readingLengthMs, readingScript } from './block.ts';
export type { LeftOut, LeftOutCode } from './left-out.ts';
