import * as v from 'valibot';
import { assignmentSummarySchema } from './assignment-schemas.ts';
import { classSettingsSchema, studentSettingsSchema } from './class-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for classes, their students and groups. */
export const classRoutes = {
  listClasses: route(...routePaths.listClasses, 'teacher', {
    output: v.array(v.object({ id: v.string(), name: v.string(), timeZone: v.string(), studentCount: v.number() })),
  }),
  /** Names of the groups of all classes of a teacher. */
  listGroups: route(...routePaths.listGroups, 'teacher', { output: v.array(v.string()) }),
  readClass: route(...routePaths.readClass, 'teacher', {
    output: v.object({
      id: v.string(),
      name: v.string(),
      timeZone: v.string(),
      locale: v.string(),
      students: v.array(
        v.object({
          ...{ id: v.string(), displayName: v.string(), userName: v.string() },
          ...{ extraTime: v.number(), groups: v.array(v.string()) },
        }),
      ),
      assignments: v.array(assignmentSummarySchema),
    }),
  }),

  /** How numbers are written in the class, in every attempt from now on. */
  changeClass: route(...routePaths.changeClass, 'teacher', { body: classSettingsSchema }),
  changeStudent: route(...routePaths.changeStudent, 'teacher', {
    body: studentSettingsSchema,
  }),
} as const;
