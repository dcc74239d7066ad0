import * as v from 'valibot';
import { roles } from './roles.ts';

export const meSchema = v.object({
  id: v.string(),
  roles: v.array(v.picklist(roles)),
  displayName: v.string(),
  schoolName: v.string(),
});
export type Me = v.InferOutput<typeof meSchema>;

export const sessionSchema = v.object({ me: v.nullable(meSchema), demo: v.boolean(), now: v.number() });

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
