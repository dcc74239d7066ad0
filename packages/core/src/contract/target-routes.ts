import * as v from 'valibot';
import { masteryLevels } from '../target/mastery.ts';
import { longestCode, longestWords } from '../target/target.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

const code = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(longestCode));

const targetSchema = v.object({
  ...{ id: v.string(), code: v.string(), words: v.string(), parentCode: v.nullable(v.string()) },
  /** Whether the asker brought it in, and may take it out. */
  isOwn: v.boolean(),
});
export type ListedTarget = v.InferOutput<typeof targetSchema>;

const mastery = { count: v.number(), share: v.nullable(v.number()), level: v.nullable(v.picklist(masteryLevels)) };

const ofClass = {
  targets: v.array(
    v.strictObject({
      ...{ key: v.string(), code: v.string(), words: v.string() },
      /** How many questions that were given name it. */
      questionCount: v.number(),
    }),
  ),
  timeZone: v.string(),
};

/** How far the students of a class have come with what its questions name, in the order of the targets. */
export const masterySchema = v.object({
  ...ofClass,
  students: v.array(
    v.strictObject({ id: v.string(), displayName: v.string(), mastery: v.array(v.strictObject(mastery)) }),
  ),
  runs: v.boolean(),
});
export type ClassMastery = v.InferOutput<typeof masterySchema>;

const evidenceSchema = v.strictObject({
  /** Null where it came back. */
  assignmentId: v.nullable(v.string()),
  questionId: v.string(),
  ...{ earned: v.number(), possible: v.number(), at: v.number() },
});

/** The same of one student, with the answers it is told from, the latest first. */
export const studentMasterySchema = v.object({
  ...ofClass,
  mastery: v.array(v.strictObject({ ...mastery, evidence: v.array(evidenceSchema) })),
  titles: v.record(v.string(), v.string()),
  /** The first words of the questions that say something. */
  stems: v.record(v.string(), v.string()),
});
export type StudentMastery = v.InferOutput<typeof studentMasterySchema>;

export const mostTargetsAtOnce = 3_000;

/** Doors for what students learn: a list of the school, and how far each has come. */
export const targetRoutes = {
  listTargets: route(...routePaths.listTargets, 'teacher', { output: v.array(targetSchema) }),
  /** A code that there is already gets the words that are sent. */
  bringInTargets: route(...routePaths.bringInTargets, 'teacher', {
    body: v.object({
      targets: v.pipe(
        v.array(
          v.object({
            code,
            words: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(longestWords)),
            parentCode: v.nullable(code),
          }),
        ),
        v.minLength(1),
        v.maxLength(mostTargetsAtOnce),
      ),
    }),
    output: v.object({ added: v.number(), changed: v.number() }),
  }),
  removeTarget: route(...routePaths.removeTarget, 'teacher'),
  readMastery: route(...routePaths.readMastery, 'teacher', { output: masterySchema }),
  readStudentMastery: route(...routePaths.readStudentMastery, 'teacher', { output: studentMasterySchema }),
} as const;
