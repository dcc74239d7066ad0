// A part as a list of lines.
export type { BlockKind } from './block-kind.ts';
export { gapOf, gapTimeMs, lineAt, type ScriptLine, scriptOf } from './script.ts';
