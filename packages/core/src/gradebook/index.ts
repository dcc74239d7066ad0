// What a class's results come to.
export type {
  GradebookCell,
  GradebookColumn,
  GradebookInput,
  GradebookStudent,
  GradeOverride,
} from './gradebook.ts';
export { type CategoryRule, defaultRules, type GradebookRules, isWeightless, rulesFor } from './gradebook-rules.ts';
export {
  type GradingScale,
  nameOnScale,
  type ScaleStep,
  type UsualScale,
  usualScaleOf,
  usualScales,
} from './grading-scale.ts';
export {
  type CategoryTotal,
  type CellUse,
  inTerm,
  type Term,
  type Total,
  totalOf,
  totalsOfTerms,
  type UsedCell,
  wholeOf,
} from './total.ts';
