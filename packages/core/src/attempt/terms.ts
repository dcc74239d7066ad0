import type { Hundredths } from '../elements/points.ts';

/** What becomes of what is handed in after it was due. */
export type LateWork =
  /** It closes when it is due. */
  | { readonly kind: 'refused' }
  /** It is worth less for each day begun after the due date, down to a cap; nothing is taken off within the grace time. */
  | {
      readonly kind: 'worthLess';
      /** 1 to 100. */
      readonly percentEachDay: number;
      /** The most that is taken off, 1 to 100. */
      readonly maxPercent: number;
      readonly graceMinutes: number;
    };

/** When students are shown how something went. */
export const shownWhens = ['atOnce', 'atHandIn', 'afterDue', 'whenReleased'] as const;
export type ShownWhen = (typeof shownWhens)[number];

/** When each of what answers bring is shown; at once where absent. */
export interface ShownTerms {
  readonly points?: ShownWhen | undefined;
  /** Words of the lesson and of a teacher. */
  readonly feedback?: ShownWhen | undefined;
  /** Correct answers, and what was right of a student's own. */
  readonly keys?: ShownWhen | undefined;
}

/** The rules of an assignment that bind a learner. What `fixedTerms` names cannot be changed once a student has begun. */
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
  readonly counted?: 'last' | 'first' | 'best' | 'mean' | undefined;
  /** It counts like all other work where absent. */
  readonly late?: LateWork | undefined;
  readonly shown?: ShownTerms | undefined;
  /** Students may do it, and need not. */
  readonly isExtra?: boolean | undefined;
  /** What all its points together count; as many as there are where absent. */
  readonly worth?: Hundredths | undefined;
  /** Under which heading a teacher counts it, in their own words. */
  readonly category?: string | undefined;
  /** On: a student sees nothing of it before it opens. */
  readonly hiddenUntilOpen?: boolean | undefined;
  /** BCP 47 tag of the language in which students write numbers; English where absent. */
  readonly locale?: string | undefined;
}

export const defaultTerms: Terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
