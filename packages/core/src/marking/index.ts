// What an answer earns.
export { markResponse } from './mark-response.ts';
export { rightResponse } from './right-response.ts';
export { isFittingRubric, type RubricLevels, rubricPoints, rubricPossible } from './rubric.ts';
export { type Verdicts, verdictsOf } from './verdicts.ts';
