import type { Hundredths } from '../elements/points.ts';
import type { LessonPicture, Recording } from '../elements/recording.ts';

/** Named as QTI 3.0 names its interactions, where it has one. */
export const questionKinds = [
  'choice',
  'poll',
  'inlineChoice',
  'gapMatch',
  'textEntry',
  'numeric',
  'order',
  'match',
  'associate',
  'hottext',
  'hotspot',
  'selectPoint',
  'graphicGapMatch',
  'slider',
  'extendedText',
  'drawing',
  'upload',
  'record',
  'discussion',
] as const;
export type QuestionKind = (typeof questionKinds)[number];

export type Question =
  | ChoiceQuestion
  | PollQuestion
  | InlineChoiceQuestion
  | GapMatchQuestion
  | TextEntryQuestion
  | NumericQuestion
  | OrderQuestion
  | MatchQuestion
  | AssociateQuestion
  | HottextQuestion
  | HotspotQuestion
  | SelectPointQuestion
  | GraphicGapMatchQuestion
  | SliderQuestion
  | ExtendedTextQuestion
  | DrawingQuestion
  | UploadQuestion
  | RecordQuestion
  | DiscussionQuestion;

export type QuestionOf<K extends QuestionKind> = Extract<Question, { readonly kind: K }>;

/** What every question carries, of whatever kind. */
export interface QuestionHead {
  readonly id: string;
  /** CommonMark with formulas between dollar signs. */
  readonly stem: string;
  readonly points: Hundredths;
  /** For teachers only. */
  readonly teacherNote: string;
  readonly picture?: LessonPicture | undefined;
  /** A sound or a film the question is about. */
  readonly sound?: Recording | undefined;
  /** Said before the question, for those who cannot read yet. */
  readonly directions?: Recording | undefined;
  /** Said to a student by what came of the answer. */
  readonly feedback?: OutcomeFeedback | undefined;
  readonly hint?: Hint | undefined;
  /** Left blank, the question does not keep the stop from being answered. */
  readonly mayBeBlank?: boolean | undefined;
  readonly tries?: Tries | undefined;
  /** How long the question may stand open, in ms, before a student's own extra time. */
  readonly timeLimitMs?: number | undefined;
  /** Shown to teachers while marking, and to a student once the answer is marked. */
  readonly modelAnswer?: string | undefined;
  /** Of what a teacher marks: how. Its best levels come to the question's points. */
  readonly rubric?: Rubric | undefined;
  /** What answering well shows, in the teacher's words. */
  readonly target?: string | undefined;
  /** Asks "how sure are you?" along with the answer. */
  readonly asksConfidence?: boolean | undefined;
  /** An earlier question of the lesson that asked the same; both answers are compared. */
  readonly comparedWith?: string | undefined;
  /** The question of the bank that it was taken from. */
  readonly bankItemId?: string | undefined;
}

export interface OutcomeFeedback {
  readonly correct?: string | undefined;
  readonly partly?: string | undefined;
  readonly wrong?: string | undefined;
}

export interface Hint {
  readonly text: string;
  /** Taken off what the answer earns. */
  readonly cost: Hundredths;
}

export interface Tries {
  /** At least 2; one try needs no saying. */
  readonly count: number;
  /** What a later try is worth, in percent of the points, 0 to 100. */
  readonly laterPercent: number;
}

/** What a teacher looks for in an answer, and how far it can be met. */
export interface Rubric {
  readonly criteria: readonly RubricCriterion[];
}

export interface RubricCriterion {
  readonly id: string;
  readonly title: string;
  /** From the least to the best met. */
  readonly levels: readonly RubricLevel[];
}

export interface RubricLevel {
  readonly id: string;
  readonly words: string;
  readonly points: Hundredths;
}

/** Something with words that can be picked, put in order or matched. */
export interface Item {
  readonly id: string;
  readonly text: string;
}

/** Pick one, or pick several. */
export interface ChoiceQuestion extends QuestionHead {
  readonly kind: 'choice';
  readonly multiple: boolean;
  readonly options: readonly ChoiceOption[];
  /** Each student sees the options in an order of their own. */
  readonly shuffle?: boolean | undefined;
  /** Where options have their own worth: the least and the most their sum can come to. */
  readonly bounds?: { readonly lower: Hundredths; readonly upper: Hundredths } | undefined;
}

export interface ChoiceOption extends Item {
  readonly correct: boolean;
  /** Said to a student who picked this option, once they have answered. Empty for none. */
  readonly feedback: string;
  readonly picture?: LessonPicture | undefined;
  /** Its own worth when picking several; below zero for what takes points away. */
  readonly worth?: Hundredths | undefined;
}

/** A choice without a key: an opinion. Carries no points. */
export interface PollQuestion extends QuestionHead {
  readonly kind: 'poll';
  readonly multiple: boolean;
  readonly options: readonly Item[];
}

/** A text with holes: words, and gaps named by their id. */
export type TextPiece = { readonly text: string } | { readonly gapId: string };

interface GapText extends QuestionHead {
  readonly pieces: readonly TextPiece[];
}

/** Gaps with a list of words each. */
export interface InlineChoiceQuestion extends GapText {
  readonly kind: 'inlineChoice';
  readonly gaps: readonly { readonly id: string; readonly options: readonly Item[]; readonly correctId: string }[];
}

/** Gaps into which words from one box are put; each word is there once. */
export interface GapMatchQuestion extends GapText {
  readonly kind: 'gapMatch';
  readonly words: readonly Item[];
  readonly gaps: readonly { readonly id: string; readonly correctIds: readonly string[] }[];
}

/** Gaps that are typed. */
export interface TextEntryQuestion extends GapText {
  readonly kind: 'textEntry';
  readonly gaps: readonly { readonly id: string; readonly accepted: readonly AcceptedText[] }[];
  readonly tolerance: TextTolerance;
}

export interface AcceptedText {
  readonly text: string;
  /** What this answer is worth, in percent of the gap's share, 0 to 100. */
  readonly percent: number;
}

export interface TextTolerance {
  readonly caseMatters: boolean;
  readonly accentsMatter: boolean;
  /** Slips of the keyboard that are forgiven, 0 to 3: a letter too many, missing, wrong, or two swapped. */
  readonly slips: number;
}

export interface NumericQuestion extends QuestionHead {
  readonly kind: 'numeric';
  readonly value: number;
  readonly tolerance: NumericTolerance;
  /** How many significant figures the answer must be given to; any where absent. */
  readonly significantFigures?: number | undefined;
  /** The unit of `value`, as in "kN" or "m/s^2"; empty for a bare number. */
  readonly unit: string;
  /** On: an answer without its unit is wrong. Off: it is read as being in `unit`. */
  readonly unitNeeded: boolean;
}

export type NumericTolerance =
  | { readonly kind: 'exact' }
  /** Within `by` on either side, in the unit of the value. */
  | { readonly kind: 'absolute'; readonly by: number }
  /** Within this many percent of the value. */
  | { readonly kind: 'relative'; readonly percent: number };

export interface OrderQuestion extends QuestionHead {
  readonly kind: 'order';
  /** In the right order. */
  readonly items: readonly Item[];
  /** All or nothing, or the share of pairs that stand in the right order. */
  readonly scoring: 'exact' | 'pairs';
}

/** Each on the left belongs to one on the right. */
export interface MatchQuestion extends QuestionHead {
  readonly kind: 'match';
  readonly sources: readonly Item[];
  /** More than on the left make it harder. */
  readonly targets: readonly Item[];
  readonly pairs: readonly Pair[];
}

export type Pair = readonly [string, string];

/** Which of these belong together; one list, pairs without direction. */
export interface AssociateQuestion extends QuestionHead {
  readonly kind: 'associate';
  readonly items: readonly Item[];
  readonly pairs: readonly Pair[];
}

/** A text in which some words can be pointed at. */
export interface HottextQuestion extends QuestionHead {
  readonly kind: 'hottext';
  readonly multiple: boolean;
  readonly words: readonly HottextWord[];
}

export interface HottextWord {
  readonly id: string;
  readonly text: string;
  /** Plain words cannot be pointed at. */
  readonly standing: 'plain' | 'wrong' | 'correct';
}

/**
 * A shape on a picture. Coordinates are ten-thousandths of the picture's width (x) and height (y), so that they hold
 * at every size: of a rectangle and an ellipse left, top, right, bottom of the box; of a polygon x and y in turn.
 */
export interface Area {
  readonly id: string;
  readonly shape: 'rect' | 'ellipse' | 'poly';
  readonly coords: readonly number[];
  /** What is there, in words, for whoever cannot see it. Says nothing of whether it is right. */
  readonly label: string;
}

/** Areas of a picture that can be picked. */
export interface HotspotQuestion extends QuestionHead {
  readonly kind: 'hotspot';
  readonly multiple: boolean;
  readonly areas: readonly (Area & { readonly correct: boolean })[];
}

/** Points set on a picture, right inside areas nobody is shown. */
export interface SelectPointQuestion extends QuestionHead {
  readonly kind: 'selectPoint';
  readonly areas: readonly Area[];
  /** How many points may be set; as many as there are areas, or more. */
  readonly maxPoints: number;
}

/** Labels that are put on places of a picture. */
export interface GraphicGapMatchQuestion extends QuestionHead {
  readonly kind: 'graphicGapMatch';
  readonly words: readonly Item[];
  readonly areas: readonly (Area & { readonly correctIds: readonly string[] })[];
}

/** A value on a scale: an opinion, or with a key. */
export interface SliderQuestion extends QuestionHead {
  readonly kind: 'slider';
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly minLabel: string;
  readonly maxLabel: string;
  /** The values that are right; absent for an opinion. */
  readonly key?: { readonly from: number; readonly to: number } | undefined;
}

/** A written answer that a teacher marks. */
export interface ExtendedTextQuestion extends QuestionHead {
  readonly kind: 'extendedText';
  /** Words that may help, or must be used: offered beside the answer. */
  readonly wordBox?: readonly string[] | undefined;
  readonly starters?: readonly string[] | undefined;
  /** How many words are asked for. Told, never enforced. */
  readonly wordRange?: { readonly min: number | null; readonly max: number | null } | undefined;
}

export const drawingGrounds = ['blank', 'grid', 'axes', 'picture'] as const;
export type DrawingGround = (typeof drawingGrounds)[number];

export interface DrawingQuestion extends QuestionHead {
  readonly kind: 'drawing';
  /** What lies under the student's pen: the question's picture, or a paper. */
  readonly ground: DrawingGround;
}

export interface UploadQuestion extends QuestionHead {
  readonly kind: 'upload';
  readonly maxFiles: number;
}

export interface RecordQuestion extends QuestionHead {
  readonly kind: 'record';
  readonly withPicture: boolean;
  readonly longestMs: number;
}

/** Each writes first, then reads what the others wrote, and answers them. */
export interface DiscussionQuestion extends QuestionHead {
  readonly kind: 'discussion';
}

/** Kinds that nobody marks unless points are given for having answered. */
export function isOpinion(question: Question): boolean {
  return question.kind === 'poll' || (question.kind === 'slider' && question.key === undefined);
}

const teacherMarked: ReadonlySet<QuestionKind> = new Set(['extendedText', 'drawing', 'upload', 'record', 'discussion']);

export function isTeacherMarked(kind: QuestionKind): boolean {
  return teacherMarked.has(kind);
}
