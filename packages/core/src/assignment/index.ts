// When an assignment is open, for whom, and what of it counts.
export { type Counted, countedAttempt, countedChoices, type NumberedAttempt } from './counted-attempt.ts';
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
export { type AssignmentWindow, type WindowFault, windowFault, windowPhase } from './window.ts';
