/** The rules of an assignment that bind a learner. Fixed once the first student has begun. */
export interface Terms {
  /** On: a student may go anywhere in the material and leave questions unanswered. */
  readonly skipping: boolean;
  /** On: a student may go back in the material while a question is open. */
  readonly rewindAtStops: boolean;
  /** On: a student may come back to a fork and choose another way. */
  readonly turningBack?: boolean | undefined;
  /** On: questions stay with the school until a student reaches them, which needs the connection. */
  readonly questionsWhenReached?: boolean | undefined;
  /** The fastest playing rate offered, 1 to 2. */
  readonly maxRate: number;
  /** How many attempts a student has; one where absent. */
  readonly attempts?: number | undefined;
  /** Which of several attempts counts; the last where absent. */
  readonly counted?: 'last' | 'first' | 'best' | undefined;
  /** On: a student sees nothing of it before it opens. */
  readonly hiddenUntilOpen?: boolean | undefined;
  /** BCP 47 tag of the language in which students write numbers; English where absent. */
  readonly locale?: string | undefined;
}

export const defaultTerms: Terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
