import * as v from 'valibot';
import type { LookBack } from '../analysis/look-back.ts';
import { rowId } from './base-schemas.ts';
import { describes } from './describes.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

const questionId = v.pipe(v.string(), v.minLength(1), v.maxLength(100));

const lookBackSchema = describes<LookBack>()(
  v.object({
    again: v.pipe(v.string(), v.maxLength(2_000)),
    hidden: v.pipe(v.array(questionId), v.maxLength(1_000)),
    shown: v.pipe(v.array(v.object({ questionId, studentId: rowId, isNamed: v.boolean() })), v.maxLength(200)),
  }),
);

/** Doors to what a teacher shows a class of what it did. */
export const lookBackRoutes = {
  readLookBack: route(...routePaths.readLookBack, 'teacher', { output: lookBackSchema }),
  setLookBack: route(...routePaths.setLookBack, 'teacher', { body: lookBackSchema }),
} as const;
