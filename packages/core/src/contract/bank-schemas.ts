import * as v from 'valibot';
import { qtiLeftOutCodes } from '../formats/qti/left-out.ts';
import { questionSchema } from './question-schemas.ts';

/** Words a teacher sorts questions by; the same whatever the case. */
const tags = v.pipe(v.array(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60))), v.maxLength(20));

export const bankEntrySchema = v.object({ question: questionSchema, tags });

export const bankItemSchema = v.object({
  id: v.string(),
  question: questionSchema,
  tags: v.array(v.string()),
  updatedAt: v.number(),
  /** How hard it has proved: the mean share of its points, null while too few have answered. */
  seen: v.object({ count: v.number(), share: v.nullable(v.number()) }),
});
export type BankItem = v.InferOutput<typeof bankItemSchema>;

export const qtiLeftOutSchema = v.object({ code: v.picklist(qtiLeftOutCodes), count: v.number() });
