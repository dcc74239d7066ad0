/** Hundredths of a point, a whole number: sums of points are exact, and 2.5 points is 250. */
export type Hundredths = number;

/** What a teacher edits and what an edition freezes. Plain data; every id is unique within the lesson. */
export interface Lesson {
  readonly title: string;
  readonly parts: readonly Part[];
}

/** A clip is a window of a film or a sound, a reading a text, a deck a run of slides. */
export const partKinds = ['clip', 'reading', 'deck'] as const;
export type PartKind = (typeof partKinds)[number];

/**
 * One piece of a lesson. Every kind lies on an axis of whole milliseconds, so that gates, coverage and progress are
 * computed the same way for all: a clip on the time of its film, a text and slides on the time that reading them
 * takes. The window is `inMs` < `outMs`.
 */
export interface Part {
  readonly id: string;
  readonly kind: PartKind;
  readonly title: string;
  readonly materialId: string;
  readonly inMs: number;
  readonly outMs: number;
  readonly stops: readonly Stop[];
}

export type Stop = Checkpoint | Pause;

/**
 * What a stop in a text or in slides holds on to, so that it stays with its block when a newer version of the
 * material is brought in. `atMs` is computed from it.
 */
export interface BlockAnchor {
  /** The block, or the slide, behind which the stop stands; null before the first. */
  readonly blockId: string | null;
  /** The number of that block, from 1; 0 before the first. */
  readonly number: number;
  /** Words inside the block at which the stop stands; none for the block's end. */
  readonly phrase?: string | undefined;
}

/** Halts the learner with questions. A required checkpoint must be answered before going on. */
export interface Checkpoint {
  readonly id: string;
  readonly kind: 'checkpoint';
  readonly atMs: number;
  readonly anchor?: BlockAnchor | undefined;
  readonly required: boolean;
  readonly questions: readonly Question[];
}

/** Halts the learner with a note to read. */
export interface Pause {
  readonly id: string;
  readonly kind: 'pause';
  readonly atMs: number;
  readonly anchor?: BlockAnchor | undefined;
  readonly note: string;
}

export type Question = ChoiceQuestion | ExtendedTextQuestion;

/** Pick one, or pick several. Named as QTI 3.0 names its interaction. */
export interface ChoiceQuestion {
  readonly id: string;
  readonly kind: 'choice';
  readonly stem: string;
  readonly points: Hundredths;
  readonly several: boolean;
  readonly options: readonly ChoiceOption[];
  readonly teacherNote: string;
}

export interface ChoiceOption {
  readonly id: string;
  readonly text: string;
  readonly right: boolean;
  /** Said to a student who picked this option, once they have answered. Empty for none. */
  readonly feedback: string;
}

/** A written answer that a teacher marks. */
export interface ExtendedTextQuestion {
  readonly id: string;
  readonly kind: 'extendedText';
  readonly stem: string;
  readonly points: Hundredths;
  readonly modelAnswer: string;
  readonly teacherNote: string;
}

/** Stops in the order a learner meets them: by time, and by their order in the draft where times are equal. */
export function stopsInOrder<S extends { readonly atMs: number }>(stops: readonly S[]): readonly S[] {
  return stops.toSorted((a, b) => a.atMs - b.atMs);
}

/** The most points a stop can earn. A pause carries none. */
export function possiblePoints(stop: {
  readonly kind: Stop['kind'];
  readonly questions?: readonly { readonly points: Hundredths }[];
}): Hundredths {
  return (stop.questions ?? []).reduce((sum, question) => sum + question.points, 0);
}
