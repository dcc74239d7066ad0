// Which stretches of a part were met.
export { addInterval, type Coverage, coverageOf, coverageStrip, type Interval, metMs, metShare } from './coverage.ts';
