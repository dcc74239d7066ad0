// When an assignment is open.
export { type AssignmentWindow, windowFault, windowPhase } from './window.ts';
