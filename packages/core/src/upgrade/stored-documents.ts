import type { LookBack } from '../analysis/look-back.ts';
import type { EventBody, MergedDrafts } from '../attempt/attempt-event.ts';
import type { Terms } from '../attempt/terms.ts';
import type { Meeting } from '../calendar/meetings.ts';
import type { CaptionCue } from '../captions/caption-cue.ts';
import type { MadeDeck } from '../deck/made-slide.ts';
import type { Slide } from '../deck/slide.ts';
import type { GradebookCell, GradebookColumn } from '../gradebook/gradebook.ts';
import type { GradebookRules } from '../gradebook/gradebook-rules.ts';
import type { Lesson } from '../lesson/lesson.ts';
import type { Question, Rubric } from '../question/question.ts';
import type { ReadingBlock } from '../reading/block.ts';
import type { LeftOut } from '../reading/left-out.ts';
import type { ReadingLevel } from '../text/level.ts';

/** Every kind of document that is stored, and what it is today. */
export interface StoredDocuments {
  /** A draft, and what an edition froze. */
  readonly lesson: Lesson;
  /** In the bank, and as a key that was changed later. */
  readonly question: Question;
  readonly rubric: Rubric;
  readonly event: EventBody;
  readonly mergedDrafts: MergedDrafts;
  readonly terms: Terms;
  readonly reading: readonly ReadingBlock[];
  readonly level: ReadingLevel;
  readonly leftOut: readonly LeftOut[];
  readonly deck: readonly Slide[];
  readonly madeDeck: MadeDeck;
  readonly captions: readonly CaptionCue[];
  readonly tags: readonly string[];
  readonly meetings: readonly Meeting[];
  readonly gradebookRules: GradebookRules;
  /** Of a gradebook that was kept: what it was counted by, and from what. */
  readonly gradebookFrame: { readonly rules: GradebookRules; readonly columns: readonly GradebookColumn[] };
  /** One student's, in the order of the columns. */
  readonly gradebookCells: readonly (GradebookCell | null)[];
  readonly lookBack: LookBack;
}

export type StoredKind = keyof StoredDocuments;
