import * as v from 'valibot';
import { classLocales } from './class-locales.ts';

export const classSettingsSchema = v.object({ locale: v.picklist(classLocales) });
export type ClassSettings = v.InferOutput<typeof classSettingsSchema>;

export const studentSettingsSchema = v.object({
  extraTime: v.optional(v.pipe(v.number(), v.minValue(1), v.maxValue(5))),
  groups: v.optional(
    v.pipe(
      v.array(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(80))),
      v.maxLength(20),
      v.transform((names) => [...new Set(names)]),
    ),
  ),
});
export type StudentSettings = v.InferOutput<typeof studentSettingsSchema>;
