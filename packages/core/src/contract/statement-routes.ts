import * as v from 'valibot';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

const recordStoreSchema = v.strictObject({
  /** Where statements go, by its name; null where the installation has no store. */
  host: v.nullable(v.string()),
});
export type RecordStore = v.InferOutput<typeof recordStoreSchema>;

const sentStatementsSchema = v.strictObject({
  /** Taken by the store, or there already. */
  sent: v.number(),
  /** There already, and saying something else. */
  conflicting: v.number(),
  /** Not taken. */
  refused: v.number(),
});
export type SentStatements = v.InferOutput<typeof sentStatementsSchema>;

/** Doors for what students did as statements of xAPI. */
export const statementRoutes = {
  readRecordStore: route(...routePaths.readRecordStore, 'teacher', { output: recordStoreSchema }),
  exportStatements: route(...routePaths.exportStatements, 'teacher'),
  sendStatements: route(...routePaths.sendStatements, 'teacher', { output: sentStatementsSchema }),
} as const;
