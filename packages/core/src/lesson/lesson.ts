import type { BlockAnchor } from '../elements/block-anchor.ts';
import type { Hundredths } from '../elements/points.ts';
import type { LessonPicture, Recording } from '../elements/recording.ts';
import type { Question } from '../question/question.ts';
import type { Confidence } from '../question/response.ts';
import type { Board } from './board.ts';

/** What a teacher edits and what an edition freezes. Plain data; every id is unique within the lesson. */
export interface Lesson {
  readonly title: string;
  /** Said or shown before the lesson begins. */
  readonly directions?: Recording | undefined;
  readonly parts: readonly Part[];
  /** From this part on, by its number from 0, the parts may be taken in any order; absent for a fixed order. */
  readonly freeFrom?: number | undefined;
}

/** A clip is a window of a film or a sound, a reading a text, a deck a run of slides. */
export const materialPartKinds = ['clip', 'reading', 'deck'] as const;
export type MaterialPartKind = (typeof materialPartKinds)[number];
/** A task is only questions, a board only tiles. */
export const untimedPartKinds = ['task', 'board'] as const;
export type UntimedPartKind = (typeof untimedPartKinds)[number];
/** Another lesson stands in a draft as one part; an edition holds what it holds. */
export const partKinds = [...materialPartKinds, ...untimedPartKinds, 'lesson'] as const;
export type PartKind = (typeof partKinds)[number];

export type Part = MaterialPart | UntimedPart | LessonPart;

/**
 * One piece of a lesson. Every kind lies on an axis of whole milliseconds, so that gates, coverage and progress are
 * computed the same way for all: a clip on the time of its film, a text and slides on the time that reading them
 * takes. The window is `inMs` < `outMs`.
 */
export interface PartHead {
  readonly id: string;
  readonly title: string;
  readonly inMs: number;
  readonly outMs: number;
  readonly stops: readonly Stop[];
  /** Said or shown while the part is in front of the learner. */
  readonly directions?: Recording | undefined;
  /** Names of the groups of the class that are given it; everybody where absent. */
  readonly onlyFor?: readonly string[] | undefined;
  /** Of what has come in from another lesson: where from. */
  readonly from?: PartSource | undefined;
  /** Of what has come in: parts side by side with the same name here may be taken in any order. */
  readonly anyOrder?: string | undefined;
  /** Practice: what is earned in it is shown, and counts for nothing. */
  readonly practice?: boolean | undefined;
  /** Where a teacher has put it on the map; computed where absent. */
  readonly mapAt?: MapPosition | undefined;
  /** Where its end leads by what was done in it; the first rule that fits. */
  readonly rules?: readonly Rule[] | undefined;
  /** Where its end leads otherwise; onwards where absent. A part that leads back is an aside: only a way turned into leads there. */
  readonly next?: Target | undefined;
}

export interface MapPosition {
  readonly x: number;
  readonly y: number;
}

/** Where a way leads: to what comes next anyway, to a part or a stop in one, back to where it was turned into, or to the end. */
export type Target = { readonly kind: 'onward' } | PartTarget | { readonly kind: 'back' } | { readonly kind: 'end' };

/** A part: from its beginning, from one of its stops, or from any other place in it. */
export interface PartTarget {
  readonly kind: 'part';
  readonly partId: string;
  readonly stopId?: string | undefined;
  readonly at?: PartPosition | undefined;
}

/** A place in a part, in ms of its axis; in a text or slides it holds on to a block. */
export interface PartPosition {
  readonly atMs: number;
  readonly anchor?: BlockAnchor | undefined;
}

/** Sends on those for whom something holds. */
export interface Rule {
  readonly id: string;
  readonly when: RuleCondition;
  readonly to: Target;
}

export type RuleCondition =
  /** Points earned, in percent of those there were: below it, or that much and more. */
  | {
      readonly kind: 'scoreBelow' | 'scoreFrom';
      readonly percent: number;
      /** At the end of a part that was cut: the parts it was, so that all of their questions count. */
      readonly of?: readonly string[] | undefined;
    }
  /** An answer among those picked. */
  | { readonly kind: 'picked'; readonly questionId: string; readonly optionId: string }
  /** A value on a scale: below it, or that much and more. */
  | { readonly kind: 'scaleBelow' | 'scaleFrom'; readonly questionId: string; readonly value: number }
  /** How sure they said they were, at the least sure of their answers. */
  | { readonly kind: 'confidenceAtMost'; readonly confidence: Confidence }
  /** Students of a group of the class, by its name. */
  | { readonly kind: 'inGroup'; readonly group: string };

/** Nothing to watch or read: its stops all stand at the one place there is, in the order of the list. A board has one, itself. */
export type UntimedPart = UntimedPartOf<'task'> | UntimedPartOf<'board'>;

export interface UntimedPartOf<Kind extends UntimedPartKind> extends PartHead {
  readonly kind: Kind;
}

/** Another lesson inside this one: a certain edition of it, or whichever is the newest when this one gets an edition. */
export interface LessonPart extends PartHead {
  readonly kind: 'lesson';
  readonly lessonId: string;
  /** Null for the newest. */
  readonly editionNumber: number | null;
}

export interface PartSource {
  readonly lessonId: string;
  readonly editionNumber: number;
  /** The part in whose place it stands. */
  readonly linkId: string;
  /** Whether it is an aside in its own lesson. */
  readonly isAside: boolean;
}

/** A part that shows a material, or a window of one. */
export interface MaterialPart extends PartHead {
  readonly kind: MaterialPartKind;
  readonly materialId: string;
  /** Of a clip: voices over stretches of it. Where two overlap, the one that began later is heard. */
  readonly narrations?: readonly Narration[] | undefined;
  /** Of a reading: films and sounds that stand between its blocks. */
  readonly insets?: readonly Inset[] | undefined;
  /** Of a reading: the lesson to which a link leads at its end. */
  readonly nextLessonId?: string | undefined;
}

/** A voice over a stretch of a clip. */
export interface Narration extends Recording {
  readonly id: string;
  /** Where it begins, in ms of the film. */
  readonly atMs: number;
  readonly lengthMs: number;
  /** What becomes of the film's own sound meanwhile. */
  readonly filmSound: 'silent' | 'quiet';
}

/** A film or a sound that stands inside a text. */
export interface Inset {
  readonly id: string;
  readonly atMs: number;
  readonly anchor: BlockAnchor;
  readonly materialId: string;
  readonly title: string;
}

export type Stop = Checkpoint | Pause | Fork | Board;

/** Halts the learner with questions. A required checkpoint must be answered before going on. */
export interface Checkpoint {
  readonly id: string;
  readonly kind: 'checkpoint';
  readonly atMs: number;
  readonly anchor?: BlockAnchor | undefined;
  readonly required: boolean;
  readonly questions: readonly Question[];
  /** How many of the questions each student is given, drawn for each; all where absent. */
  readonly pick?: number | undefined;
  /** Each student meets the questions in an order of their own. */
  readonly shuffle?: boolean | undefined;
  /** Where it leads by what was answered; the first rule that fits, and onwards where none does. */
  readonly rules?: readonly Rule[] | undefined;
}

/** Halts the learner at a choice of ways. */
export interface Fork {
  readonly id: string;
  readonly kind: 'fork';
  readonly atMs: number;
  readonly anchor?: BlockAnchor | undefined;
  readonly prompt: string;
  readonly choices: readonly ForkChoice[];
}

export interface ForkChoice {
  readonly id: string;
  readonly words: string;
  readonly picture?: LessonPicture | undefined;
  readonly to: Target;
  /** Names of the groups of the class that are offered it; everybody where absent. */
  readonly onlyFor?: readonly string[] | undefined;
  /** A part that must be done before it is offered. */
  readonly after?: string | undefined;
}

/** Halts the learner with a note to read. */
export interface Pause {
  readonly id: string;
  readonly kind: 'pause';
  readonly atMs: number;
  readonly anchor?: BlockAnchor | undefined;
  readonly note: string;
  /** What the material waits for: a voice that is heard to its end. */
  readonly voice?: Recording | undefined;
}

/** Stops in the order a learner meets them: by time, and by their order in the draft where times are equal. */
export function stopsInOrder<S extends { readonly atMs: number }>(stops: readonly S[]): readonly S[] {
  return stops.toSorted((a, b) => a.atMs - b.atMs);
}

/** The most points a stop can earn: where students are given some of the questions, those that carry most. A pause carries none. */
export function possiblePoints(stop: {
  readonly kind: Stop['kind'];
  readonly questions?: readonly { readonly points: Hundredths }[];
  readonly pick?: number | undefined;
}): Hundredths {
  const points = (stop.questions ?? []).map((question) => question.points);
  const given = stop.pick === undefined ? points : points.toSorted((a, b) => b - a).slice(0, stop.pick);
  return given.reduce((sum, one) => sum + one, 0);
}

/** Whether a part shows a material. */
export function hasMaterial<P extends { readonly kind: PartKind }>(
  part: P,
): part is Extract<P, { readonly materialId: string }> {
  return hasLength(part);
}

/** Whether there is something to watch or to read in a part; else it is one place. */
export function hasLength({ kind }: { readonly kind: PartKind }): boolean {
  return (materialPartKinds as readonly PartKind[]).includes(kind);
}

/** The one place of a part that has no length. */
export const untimedWindow = { inMs: 0, outMs: 1 } as const;
