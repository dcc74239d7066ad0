// When an assignment is open, for whom, and what of it counts.
export {
  type Counted,
  countedChoices,
  countedResult,
  type NumberedAttempt,
  type Result,
  worthOf,
} from './counted-attempt.ts';
export {
  type Addressee,
  type AddresseeKind,
  type Adjustment,
  addresseeKinds,
  type DatedWindow,
  type EffectiveTerms,
  effectiveTerms,
  type GivenAssignment,
  type Receipt,
  type StudentRecord,
  windowsOverTime,
} from './effective-terms.ts';
export { datesTakenBack, extendedBy } from './extend-by.ts';
export { type FixedTerm, fixedTerms } from './fixed-terms.ts';
export { latePercent, withLateWork } from './late-work.ts';
export { movedAhead } from './moved-ahead.ts';
export { numberInSeries, type SeriesStep, type StepStanding, seriesProgress, stepToDoFirst } from './series.ts';
export { allShown, type Shown, shownNow, tellsAtOnce } from './shown-now.ts';
export { type AssignmentWindow, type OrderedWindow, type WindowFault, windowFault, windowPhase } from './window.ts';
