// What a student did, as statements of xAPI.
export { checkStatement, type StatementFault } from './check-statement.ts';
export { nameUuid } from './name-uuid.ts';
export type { Actor as StatementActor, Statement } from './statement.ts';
export { completionThreshold, type StatementScope, statementsOf } from './statements-of.ts';
