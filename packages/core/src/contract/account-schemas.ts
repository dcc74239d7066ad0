import * as v from 'valibot';
import { email, newPassword, personName, timeZone } from './base-schemas.ts';
import { classLocales } from './class-locales.ts';
import { roles } from './roles.ts';

export const meSchema = v.object({
  id: v.string(),
  roles: v.array(v.picklist(roles)),
  displayName: v.string(),
  schoolName: v.string(),
  /** Classes a student asked to be let into, and waits for. */
  waitingFor: v.array(v.string()),
  /** Whether a teacher is led through their first steps. */
  isNew: v.boolean(),
});
export type Me = v.InferOutput<typeof meSchema>;

export const sessionSchema = v.object({
  me: v.nullable(meSchema),
  demo: v.boolean(),
  /** There is no school yet: the first thing is to set one up. */
  isEmpty: v.boolean(),
  now: v.number(),
});

/** What the first page asks for. */
export const setUpSchema = v.object({
  /** That the server printed. */
  secret: v.pipe(v.string(), v.maxLength(100)),
  schoolName: personName,
  timeZone,
  locale: v.picklist(classLocales),
  displayName: personName,
  email,
  password: newPassword,
  /** Whether who looks after the school also teaches. */
  teaches: v.boolean(),
});

export const signInSchema = v.object({
  name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200)),
  password: v.pipe(v.string(), v.minLength(1), v.maxLength(200)),
  /** The school's name, where name and password fit at several. */
  school: v.optional(v.pipe(v.string(), v.maxLength(200))),
});

export const demoPersonSchema = v.object({
  id: v.string(),
  roles: v.array(v.picklist(roles)),
  displayName: v.string(),
  story: v.string(),
});
