// What one student is given.
export { applyKeyChanges } from './apply-key-changes.ts';
export { createContext } from './create-context.ts';
export { ownContext, ownLesson } from './own-lesson.ts';
