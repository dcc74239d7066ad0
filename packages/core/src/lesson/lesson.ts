/** Hundredths of a point, a whole number: sums of points are exact, and 2.5 points is 250. */
export type Hundredths = number;

/** What a teacher edits and what an edition freezes. Plain data; every id is unique within the lesson. */
export interface Lesson {
  readonly title: string;
  readonly parts: readonly Part[];
}

/** A part is one piece of a lesson. So far there is one kind, the clip. */
export type Part = Clip;

/** A window of a film. `inMs` and `outMs` are times of the film, in whole milliseconds, `inMs` < `outMs`. */
export interface Clip {
  readonly id: string;
  readonly kind: 'clip';
  readonly title: string;
  readonly materialId: string;
  readonly inMs: number;
  readonly outMs: number;
  readonly stops: readonly Stop[];
}

export type Stop = Checkpoint | Pause;

/** Halts the learner with questions. A required checkpoint must be answered before going on. */
export interface Checkpoint {
  readonly id: string;
  readonly kind: 'checkpoint';
  readonly atMs: number;
  readonly required: boolean;
  readonly questions: readonly Question[];
}

/** Halts the learner with a note to read. */
export interface Pause {
  readonly id: string;
  readonly kind: 'pause';
  readonly atMs: number;
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
