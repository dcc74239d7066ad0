import * as v from 'valibot';
import {
  gradebookRulesSchema,
  gradebookSchema,
  gradeOverrideSchema,
  keptGradebookSchema,
  madeOverridesSchema,
} from './gradebook-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors to what a class's results come to. */
export const gradebookRoutes = {
  readGradebook: route(...routePaths.readGradebook, 'teacher', { output: gradebookSchema }),
  /** Refused where somebody else has changed them since the version that was seen. */
  changeGradebookRules: route(...routePaths.changeGradebookRules, 'teacher', {
    body: v.object({ version: v.number(), rules: gradebookRulesSchema }),
  }),
  overrideGrade: route(...routePaths.overrideGrade, 'teacher', { body: gradeOverrideSchema }),
  listGradeOverrides: route(...routePaths.listGradeOverrides, 'teacher', { output: madeOverridesSchema }),
  /** Keeps it as it is now. */
  keepGradebook: route(...routePaths.keepGradebook, 'teacher', {
    body: v.object({ note: v.pipe(v.string(), v.trim(), v.maxLength(80)) }),
    output: v.object({ id: v.string() }),
  }),
  readKeptGradebook: route(...routePaths.readKeptGradebook, 'teacher', { output: keptGradebookSchema }),
  removeKeptGradebook: route(...routePaths.removeKeptGradebook, 'teacher'),
  exportGradebook: route(...routePaths.exportGradebook, 'teacher'),
  exportGradebookWorkbook: route(...routePaths.exportGradebookWorkbook, 'teacher'),
  /** Line items and results as a OneRoster 1.2 CSV package. */
  exportResults: route(...routePaths.exportResults, 'teacher'),
} as const;
