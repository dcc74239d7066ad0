import * as v from 'valibot';
import { demoPersonSchema, meSchema, sessionSchema, setUpSchema, signInSchema } from './account-schemas.ts';
import { rowId, token } from './base-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for signing in and out, and the demo’s door. */
export const accountRoutes = {
  readSession: route(...routePaths.readSession, 'anyone', { output: sessionSchema }),
  signIn: route(...routePaths.signIn, 'anyone', {
    bodyLimit: 10_000,
    body: signInSchema,
    output: meSchema,
  }),
  /** By a printed card: what its square holds, or its words. */
  signInByCard: route(...routePaths.signInByCard, 'anyone', {
    bodyLimit: 2_000,
    body: v.union([v.strictObject({ token }), v.strictObject({ words: v.pipe(v.string(), v.maxLength(200)) })]),
    output: meSchema,
  }),
  /** Makes the first school of an empty installation, and signs its admin in. */
  setUpSchool: route(...routePaths.setUpSchool, 'anyone', { bodyLimit: 10_000, body: setUpSchema, output: meSchema }),
  putAwayFirstSteps: route(...routePaths.putAwayFirstSteps, 'teacher'),
  signOut: route(...routePaths.signOut, 'signedIn'),
  signOutEverywhere: route(...routePaths.signOutEverywhere, 'signedIn'),
  listDemoPeople: route(...routePaths.listDemoPeople, 'demoVisitor', { output: v.array(demoPersonSchema) }),
  enterDemo: route(...routePaths.enterDemo, 'demoVisitor', { body: v.object({ personId: rowId }), output: meSchema }),
} as const;
