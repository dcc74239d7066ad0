import * as v from 'valibot';
import { demoPersonSchema, meSchema, sessionSchema, signInSchema } from './account-schemas.ts';
import { rowId } from './base-schemas.ts';
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
  signOut: route(...routePaths.signOut, 'signedIn'),
  signOutEverywhere: route(...routePaths.signOutEverywhere, 'signedIn'),
  listDemoPeople: route(...routePaths.listDemoPeople, 'demoVisitor', { output: v.array(demoPersonSchema) }),
  enterDemo: route(...routePaths.enterDemo, 'demoVisitor', { body: v.object({ personId: rowId }), output: meSchema }),
} as const;
