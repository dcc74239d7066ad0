import * as v from 'valibot';
import { maxEventsPerBatch, sentEventSchema } from './event-schemas.ts';
import { handedFileSchema } from './response-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';
import { intakeSchema, todoItemSchema, walkSchema } from './walk-schemas.ts';

/** Doors for the student’s side. */
export const walkRoutes = {
  listTodo: route(...routePaths.listTodo, 'student', {
    output: v.object({ items: v.array(todoItemSchema), now: v.number(), version: v.string() }),
  }),
  beginWalk: route(...routePaths.beginWalk, 'student', { output: walkSchema }),
  /** Another attempt, once the one before is handed in. */
  beginAgain: route(...routePaths.beginAgain, 'student', { output: walkSchema }),
  takeInEvents: route(...routePaths.takeInEvents, 'student', {
    body: v.object({ events: v.pipe(v.array(sentEventSchema), v.minLength(1), v.maxLength(maxEventsPerBatch)) }),
    output: intakeSchema,
    bodyLimit: 1_000_000,
  }),
  /** The body is the file itself. */
  sendAnswerFile: route(...routePaths.sendAnswerFile, 'student', { output: handedFileSchema }),
  readAnswerFile: route(...routePaths.readAnswerFile, 'signedIn'),
} as const;
