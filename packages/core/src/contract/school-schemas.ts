import * as v from 'valibot';
import { schoolDayKinds } from '../calendar/school-days.ts';
import { email, newPassword, personName, rowId, timeZone, token } from './base-schemas.ts';
import { classLocales } from './class-locales.ts';
import { classMarkFields } from './class-schemas.ts';
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
  keptMonths: v.nullable(v.number()),
  /** When no mail goes out, `20:00` on the school's clock. */
  ...{ quietFrom: v.string(), quietUntil: v.string() },
  /** Bytes on the disk: what teachers brought in, and what students handed in. */
  space: v.object({ materials: v.number(), answers: v.number() }),
  /** Who is in them, and nothing of what they do. */
  classes: v.array(
    v.object({
      ...{ id: v.string(), name: v.string(), ...classMarkFields },
      ...{ teacherNames: v.array(v.string()), studentCount: v.number(), isArchived: v.boolean() },
      removedAt: v.nullable(v.number()),
    }),
  ),
  /** Those that can still be used. */
  invitations: v.array(invitationSchema),
});
export type School = v.InferOutput<typeof schoolSchema>;

export const keptChoices = [6, 12, 24, 36, 60] as const;

const timeOfDay = v.pipe(v.string(), v.isoTime());

export const schoolSettingsSchema = v.object({
  name: v.optional(personName),
  timeZone: v.optional(timeZone),
  locale: v.optional(v.picklist(classLocales)),
  /** Classes that were put away so many months ago are deleted by themselves; null for never. */
  keptMonths: v.optional(v.nullable(v.picklist(keptChoices))),
  quietFrom: v.optional(timeOfDay),
  quietUntil: v.optional(timeOfDay),
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

const externalId = v.pipe(v.string(), v.minLength(1), v.maxLength(200));
const ids = v.pipe(v.array(externalId), v.maxLength(2_000));

/** A package of another system, as it was read in the browser; see `readOneRoster`. */
export const oneRosterSchema = v.object({
  people: v.pipe(
    v.array(
      v.object({
        ...{ externalId, displayName: personName, isTeacher: v.boolean() },
        userName: v.pipe(v.string(), v.maxLength(200)),
        email: v.pipe(v.string(), v.maxLength(200)),
      }),
    ),
    v.maxLength(20_000),
  ),
  classes: v.pipe(
    v.array(v.object({ ...{ externalId, name: personName }, studentIds: ids, teacherIds: ids })),
    v.maxLength(3_000),
  ),
});
export type SentOneRoster = v.InferOutput<typeof oneRosterSchema>;

const gone = v.object({ id: v.string(), displayName: v.string() });

/** What a package comes to for the school. */
export const oneRosterPlanSchema = v.object({
  people: v.object({ added: v.number(), renamed: v.number(), same: v.number() }),
  classes: v.array(
    v.object({
      externalId: v.string(),
      name: v.string(),
      isNew: v.boolean(),
      studentCount: v.number(),
      /** How many come into it. */
      coming: v.number(),
      /** Who is in it here, and not in the package. */
      gone: v.array(gone),
    }),
  ),
});
export type OneRosterPlan = v.InferOutput<typeof oneRosterPlanSchema>;

const civilDay = v.pipe(v.string(), v.isoDate());

export const schoolDaysSchema = v.pipe(
  v.array(
    v.pipe(
      v.object({
        title: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200)),
        kind: v.picklist(schoolDayKinds),
        ...{ firstDay: civilDay, lastDay: civilDay },
      }),
      v.check(({ firstDay, lastDay }) => firstDay <= lastDay),
    ),
  ),
  v.maxLength(500),
);

export const peopleQuerySchema = v.object({
  words: v.pipe(v.string(), v.maxLength(200)),
  isStaff: v.boolean(),
  offset: v.pipe(v.number(), v.integer(), v.minValue(0)),
});
export type PeopleQuery = v.InferOutput<typeof peopleQuerySchema>;

/** People of a school, by name; a page of them. */
export const peopleSchema = v.object({
  count: v.number(),
  people: v.array(
    v.object({
      ...{ id: v.string(), displayName: v.string(), signInName: v.string() },
      classNames: v.array(v.string()),
      /** Nobody comes in by this account. */
      isOff: v.boolean(),
      lastSeenAt: v.nullable(v.number()),
    }),
  ),
});
export type People = v.InferOutput<typeof peopleSchema>;

export const personSettingsSchema = v.object({
  displayName: v.optional(personName),
  /** The user name of a student, the address of all others. */
  signInName: v.optional(v.pipe(v.string(), v.maxLength(200))),
  isOff: v.optional(v.boolean()),
});
export type PersonSettings = v.InferOutput<typeof personSettingsSchema>;

export const logKinds = [
  ...(['signedIn', 'signInFailed', 'signInDelayed', 'signedOut', 'refused', 'exported'] as const),
  ...(['schoolSetUp', 'invited', 'joinedSchool', 'passwordGiven', 'cardMade', 'cardRevoked', 'rolesChanged'] as const),
  ...(['personChanged', 'switchedOff', 'switchedOn', 'studentExported', 'rosterExported', 'erased'] as const),
  ...(['marked', 'keyChanged', 'classRemoved', 'classBroughtBack'] as const),
] as const;

export const logQuerySchema = v.object({
  kinds: v.optional(v.array(v.picklist(logKinds))),
  /** Only what is about somebody, or was done by them. */
  userId: v.optional(rowId),
  /** The last that was shown; what lies before it comes. */
  before: v.optional(v.object({ at: v.number(), id: rowId })),
});
export type LogQuery = v.InferOutput<typeof logQuerySchema>;

const inLog = v.nullable(v.object({ id: v.string(), displayName: v.string() }));

/** What happened to accounts and rights, the latest first. */
export const schoolLogSchema = v.object({
  events: v.array(
    v.object({
      ...{ id: v.string(), at: v.number(), kind: v.picklist(logKinds) },
      /** A code of the program, or the id of a thing. */
      detail: v.nullable(v.string()),
      about: inLog,
      /** Who did it, where that was somebody else. */
      by: inLog,
    }),
  ),
  hasMore: v.boolean(),
});
export type SchoolLog = v.InferOutput<typeof schoolLogSchema>;
