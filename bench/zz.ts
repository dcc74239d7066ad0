import { measureEvents } from './event-figure.ts';
console.log((await measureEvents()).map((f) => f.ratio));
