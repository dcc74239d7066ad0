import * as v from 'valibot';
import { meSchema } from './account-schemas.ts';
import { personName, rowId, token } from './base-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

const guestLinkSchema = v.object({
  /** Null before it was first wanted. */
  token: v.nullable(v.string()),
  isOpen: v.boolean(),
});
export type GuestLink = v.InferOutput<typeof guestLinkSchema>;

/** What somebody who has a link is shown before they say who they are. */
const heldGuestLinkSchema = v.object({ title: v.string(), schoolName: v.string(), teacherName: v.string() });
export type HeldGuestLink = v.InferOutput<typeof heldGuestLinkSchema>;

/** Doors for whoever comes by a link that is open to anyone. */
export const guestRoutes = {
  readGuestLink: route(...routePaths.readGuestLink, 'teacher', { output: guestLinkSchema }),
  setGuestLink: route(...routePaths.setGuestLink, 'teacher', {
    body: v.object({ isOpen: v.boolean(), isNew: v.boolean() }),
    output: guestLinkSchema,
  }),
  lookAtGuestLink: route(...routePaths.lookAtGuestLink, 'anyone', {
    bodyLimit: 2_000,
    body: v.object({ token }),
    output: heldGuestLinkSchema,
  }),
  comeAsGuest: route(...routePaths.comeAsGuest, 'anyone', {
    bodyLimit: 4_000,
    body: v.object({ token, displayName: v.pipe(personName, v.maxLength(60)) }),
    output: v.object({ me: meSchema, assignmentId: v.string() }),
  }),
  /** The guest was one of the students: their work is the student's. */
  matchGuest: route(...routePaths.matchGuest, 'teacher', { body: v.object({ toStudentId: rowId }) }),
  removeGuest: route(...routePaths.removeGuest, 'teacher'),
} as const;
