/** One answer to a question that came back. */
export interface ReviewAnswer {
  /** Earned of what could be earned, 0 to 1. */
  readonly share: number;
  /** Days since the target had been answered before. */
  readonly afterDays: number;
}

export interface StayedBand {
  readonly fromDays: number;
  /** Null where there is no end. */
  readonly toDays: number | null;
  readonly count: number;
  /** Mean share, 0 to 1; null where there are too few answers to say. */
  readonly share: number | null;
}

/** Fewer answers say nothing; as for questions (common practice, no source). */
export const minReviewAnswers = 5;

const bands = [
  { fromDays: 1, toDays: 3 },
  { fromDays: 4, toDays: 10 },
  { fromDays: 11, toDays: 30 },
  { fromDays: 31, toDays: null },
] as const;

/** How much stayed: what the answers came to, by how long it had been. */
export function stayedAfter(answers: readonly ReviewAnswer[]): {
  readonly all: StayedBand;
  readonly bands: StayedBand[];
} {
  const bandOf = (fromDays: number, toDays: number | null): StayedBand => {
    const own = answers.filter(({ afterDays }) => afterDays >= fromDays && (toDays === null || afterDays <= toDays));
    const sum = own.reduce((total, { share }) => total + share, 0);
    const share = own.length < minReviewAnswers ? null : sum / own.length;
    return { fromDays, toDays, count: own.length, share };
  };
  return { all: bandOf(0, null), bands: bands.map(({ fromDays, toDays }) => bandOf(fromDays, toDays)) };
}
