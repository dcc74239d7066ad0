import * as v from 'valibot';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';
import { changedSeriesSchema, givenSeriesSchema, seriesSchema } from './series-schemas.ts';

/** Doors for several lessons given as a row. */
export const seriesRoutes = {
  giveSeries: route(...routePaths.giveSeries, 'teacher', {
    body: givenSeriesSchema,
    output: v.object({ id: v.string() }),
  }),
  /** Where each student is in it. */
  readSeries: route(...routePaths.readSeries, 'teacher', { output: seriesSchema }),
  changeSeries: route(...routePaths.changeSeries, 'teacher', { body: changedSeriesSchema }),
} as const;
