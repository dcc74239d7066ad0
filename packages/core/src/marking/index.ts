// What an answer earns.

export { correctResponse } from './correct-response.ts';
export { markResponse } from './mark-response.ts';
export { isFittingRubric, type RubricLevels, rubricPoints, rubricPossible } from './rubric.ts';
export { type Verdicts, verdictsOf } from './verdicts.ts';
