import * as v from 'valibot';
import { classColours, classShapes, joiningWays } from '../roster/class-mark.ts';
import { email, newPassword, personName, rowId, timeZone, userName } from './base-schemas.ts';
import { classLocales } from './class-locales.ts';

export const classMarkFields = { shape: v.picklist(classShapes), colour: v.picklist(classColours) };

export const meetingsSchema = v.pipe(
  v.array(
    v.object({
      weekday: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(7)),
      time: v.pipe(v.string(), v.isoTime()),
    }),
  ),
  v.maxLength(30),
);

export const classSettingsSchema = v.object({
  name: v.optional(personName),
  shape: v.optional(classMarkFields.shape),
  colour: v.optional(classMarkFields.colour),
  locale: v.optional(v.picklist(classLocales)),
  timeZone: v.optional(timeZone),
  joining: v.optional(v.picklist(joiningWays)),
  /** When it meets each week. */
  meetings: v.optional(meetingsSchema),
  /** Put away, or brought back. */
  isArchived: v.optional(v.boolean()),
});
export type ClassSettings = v.InferOutput<typeof classSettingsSchema>;

const groupNames = v.pipe(
  v.array(v.pipe(personName, v.maxLength(80))),
  v.maxLength(20),
  v.transform((names) => [...new Set(names)]),
);

export const studentSettingsSchema = v.object({
  displayName: v.optional(personName),
  extraTime: v.optional(v.pipe(v.number(), v.minValue(1), v.maxValue(5))),
  groups: v.optional(groupNames),
  /** Those that stood there when they were changed: others in the meantime are not written over. */
  groupsBefore: v.optional(groupNames),
});
export type StudentSettings = v.InferOutput<typeof studentSettingsSchema>;

/** How many people one list may hold. */
export const mostPeopleAtOnce = 500;

/** People as a list has them; what is wrong with one is said in the plan, by row. */
export const wantedStudentSchema = v.object({
  displayName: v.pipe(v.string(), v.maxLength(400)),
  userName: v.pipe(v.string(), v.maxLength(200)),
  groups: v.pipe(v.array(v.pipe(v.string(), v.maxLength(80))), v.maxLength(20)),
});

export const wantedStudentsSchema = v.pipe(v.array(wantedStudentSchema), v.maxLength(mostPeopleAtOnce));

export const rosterPlanSchema = v.object({
  /** The roster that the plan is for. */
  version: v.number(),
  rows: v.array(
    v.variant('kind', [
      v.object({ kind: v.literal('add'), userName: v.string(), hasNamesake: v.boolean() }),
      v.object({ kind: v.literal('bringIn'), studentId: v.string(), userName: v.string() }),
      v.object({ kind: v.literal('update'), studentId: v.string(), userName: v.string(), was: v.string() }),
      v.object({ kind: v.literal('same'), studentId: v.string(), userName: v.string() }),
      v.object({
        kind: v.literal('fault'),
        fault: v.picklist(['nameMissing', 'userNameUnusable', 'userNameTaken', 'twiceOnList']),
      }),
    ]),
  ),
  missing: v.array(v.object({ id: v.string(), displayName: v.string() })),
});

/** What somebody needs for their next sign-in; shown this once. */
export const firstSignInSchema = v.object({
  studentId: v.string(),
  displayName: v.string(),
  userName: v.string(),
  password: v.string(),
});
export type FirstSignIn = v.InferOutput<typeof firstSignInSchema>;

/** What is printed on a card; shown this once. */
export const madeCardSchema = v.object({
  studentId: v.string(),
  displayName: v.string(),
  userName: v.string(),
  /** Of the square. */
  token: v.string(),
  words: v.string(),
});
export type MadeCard = v.InferOutput<typeof madeCardSchema>;

export const studentIds = v.pipe(v.array(rowId), v.minLength(1), v.maxLength(mostPeopleAtOnce));

/** What somebody who has a code is shown: never who is in the class. */
export const joinableSchema = v.variant('kind', [
  v.object({
    kind: v.literal('class'),
    name: v.string(),
    schoolName: v.string(),
    ...classMarkFields,
    /** Whether its teacher lets each one in. */
    asks: v.boolean(),
  }),
  v.object({ kind: v.literal('school'), schoolName: v.string() }),
]);
export type Joinable = v.InferOutput<typeof joinableSchema>;

export const joinCode = v.pipe(v.string(), v.maxLength(300));

export const newStudentSchema = v.object({
  code: joinCode,
  displayName: personName,
  userName: userName,
  password: newPassword,
});
export const newTeacherSchema = v.object({ code: joinCode, displayName: personName, email, password: newPassword });
