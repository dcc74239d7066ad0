// From a state and an event to the next state.
export { type Looked, spendReading } from './spend-reading.ts';
export { type Outcome, replay, takeIn, takeInAll } from './take-in.ts';
