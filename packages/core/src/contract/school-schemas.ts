import * as v from 'valibot';
import { email, newPassword, personName, rowId, timeZone, token } from './base-schemas.ts';
import { classLocales } from './class-locales.ts';
import { roles } from './roles.ts';

export const invitationSchema = v.object({
  id: v.string(),
  displayName: v.string(),
  email: v.string(),
  isAdmin: v.boolean(),
  expiresAt: v.number(),
});

export const schoolSchema = v.object({
  name: v.string(),
  timeZone: v.string(),
  locale: v.string(),
  /** As it is shown; null where teachers come by invitation only. */
  teacherCode: v.nullable(v.string()),
  /** Who teaches, and who looks after the school. */
  staff: v.array(
    v.object({
      id: v.string(),
      displayName: v.string(),
      email: v.string(),
      roles: v.array(v.picklist(roles)),
      classCount: v.number(),
    }),
  ),
  studentCount: v.number(),
  /** Those that can still be used. */
  invitations: v.array(invitationSchema),
});
export type School = v.InferOutput<typeof schoolSchema>;

export const schoolSettingsSchema = v.object({
  name: v.optional(personName),
  timeZone: v.optional(timeZone),
  locale: v.optional(v.picklist(classLocales)),
});
export type SchoolSettings = v.InferOutput<typeof schoolSettingsSchema>;

export const inviteSchema = v.object({ displayName: personName, email, isAdmin: v.boolean() });

/** What somebody holds who is invited, before they have an account. */
export const heldInvitationSchema = v.object({
  schoolName: v.string(),
  displayName: v.string(),
  email: v.string(),
});

export const acceptInvitationSchema = v.object({ token, displayName: personName, email, password: newPassword });

export const changeRolesSchema = v.object({ userId: rowId, isAdmin: v.boolean() });
