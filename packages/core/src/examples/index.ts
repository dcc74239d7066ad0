// Lessons and questions of every kind, for tests and for the gallery that developers look at.
export { everyKind } from './every-kind.ts';
export { lessonOf } from './kinds-lesson.ts';
