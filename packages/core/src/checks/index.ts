// What is missing in a lesson, and routes tried as students would walk them.
export { checkLesson, type Fault } from './check-lesson.ts';
export { checkPath } from './check-path.ts';
export { faultsOfDraft } from './faults-of-draft.ts';
export { isPathFault, type PathFaultCode } from './path-fault.ts';
export { questionFaults } from './question-faults.ts';
export { checkRules, type Pick as RulePick, picksOf, questionsOfPart } from './rule-answers.ts';
export { type TriedRoute, type TriedRoutes, tryRoutes } from './try-routes.ts';
