import { stopFiguresSchema, watchingSchema } from './following-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for what is read off the work of many. */
export const followingRoutes = {
  /** What the answers say of the questions, and who may need the same next. */
  readStopFigures: route(...routePaths.readStopFigures, 'teacher', { output: stopFiguresSchema }),
  /** How the parts were watched and read, by who has begun. */
  readWatching: route(...routePaths.readWatching, 'teacher', { output: watchingSchema }),
} as const;
