import type { Hundredths } from '../elements/points.ts';

/** One thing that was given to a class. */
export interface GradebookColumn {
  readonly assignmentId: string;
  readonly title: string;
  /** As its terms name it; empty for none. */
  readonly category: string;
  readonly isExtra: boolean;
  /** What all its points together count. */
  readonly worth: Hundredths;
  /** When it is due for the class, or else was given, as a civil day of the class's clock: what terms go by. */
  readonly day: string;
}

/** What one student has in one column. */
export interface GradebookCell {
  readonly state: 'notBegun' | 'underWay' | 'handedIn';
  /** Of what is marked, as it counts under the column's worth, with what was taken off for being late. */
  readonly earned: Hundredths;
  readonly possible: Hundredths;
  readonly isExcused?: true | undefined;
  /** Past its date for this student, and not handed in. */
  readonly isMissing?: true | undefined;
  /** What was taken off for being late, in percent. */
  readonly latePercent?: number | undefined;
  /** Handed in after its date, whether or not that takes something off. */
  readonly isLate?: true | undefined;
  /** Stops with answers that wait to be marked: they are in neither of the two numbers. */
  readonly waiting?: number | undefined;
  /** What could be had with them: what a number given by hand is of. */
  readonly whole?: Hundredths | undefined;
  /** How many attempts were begun, where more than one. */
  readonly attempts?: number | undefined;
  /** A teacher's own number in place of what was earned, the latest. */
  readonly override?: GradeOverride | undefined;
}

export interface GradeOverride {
  readonly earned: Hundredths;
  readonly reason: string;
  /** A name. */
  readonly by: string;
  /** Epoch ms. */
  readonly at: number;
}

export interface GradebookStudent {
  readonly studentId: string;
  readonly displayName: string;
  /** No longer in the class. */
  readonly hasLeft?: true | undefined;
  /** In the order of the columns; null for what never reached them. */
  readonly cells: readonly (GradebookCell | null)[];
}

/** What a gradebook is counted from: kept like this, it says the same for ever. */
export interface GradebookInput {
  readonly columns: readonly GradebookColumn[];
  readonly students: readonly GradebookStudent[];
}
