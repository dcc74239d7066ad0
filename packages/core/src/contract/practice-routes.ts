import * as v from 'valibot';
import { termsSchema } from './assignment-schemas.ts';
import { token } from './base-schemas.ts';
import { maxEventsPerPractice, sentEventSchema } from './event-schemas.ts';
import { learnerViewSchema } from './learner-schemas.ts';
import { contentSchema, cueSchema } from './material-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';
import { intakeSchema } from './walk-schemas.ts';

/** The site of an address, as browsers compare them: scheme, name and port. A star would be everybody, and is none. */
const siteOf = (text: string): string | undefined =>
  /^(https?:\/\/[a-z0-9.-]+(?::\d{1,5})?)(?:[/?#]|$)/i.exec(text.trim())?.[1]?.toLowerCase();

const site = v.pipe(
  v.string(),
  v.maxLength(500),
  v.check((text) => siteOf(text) !== undefined),
  v.transform((text) => siteOf(text) ?? text),
);

const practiceLinkSchema = v.object({
  /** Null before it was first wanted. */
  token: v.nullable(v.string()),
  isOpen: v.boolean(),
  /** Sites on whose pages it may stand in a frame. */
  frames: v.array(v.string()),
});
export type PracticeLink = v.InferOutput<typeof practiceLinkSchema>;

const openedPracticeSchema = v.strictObject({
  ...{ schoolName: v.string(), teacherName: v.string(), terms: termsSchema, view: learnerViewSchema },
  /** With both, what is sent later is understood: nothing of it stays here. */
  ...{ walkId: v.string(), begunAt: v.number() },
  now: v.number(),
});
export type OpenedPractice = v.InferOutput<typeof openedPracticeSchema>;

/** Doors for walking through a lesson with nothing kept. */
export const practiceRoutes = {
  readPracticeLink: route(...routePaths.readPracticeLink, 'teacher', { output: practiceLinkSchema }),
  setPracticeLink: route(...routePaths.setPracticeLink, 'teacher', {
    body: v.object({ isOpen: v.boolean(), isNew: v.boolean(), frames: v.pipe(v.array(site), v.maxLength(20)) }),
    output: practiceLinkSchema,
  }),
  openPractice: route(...routePaths.openPractice, 'anyone', { output: openedPracticeSchema }),
  /** All that was done so far, from the beginning: what comes of it is computed anew and forgotten. */
  walkPractice: route(...routePaths.walkPractice, 'anyone', {
    bodyLimit: 1_000_000,
    body: v.object({
      walkId: token,
      begunAt: v.pipe(v.number(), v.integer()),
      events: v.pipe(v.array(sentEventSchema), v.minLength(1), v.maxLength(maxEventsPerPractice)),
    }),
    output: intakeSchema,
  }),
  practiceMedia: route(...routePaths.practiceMedia, 'anyone'),
  practiceContent: route(...routePaths.practiceContent, 'anyone', { output: contentSchema }),
  practicePicture: route(...routePaths.practicePicture, 'anyone'),
  practiceCaptions: route(...routePaths.practiceCaptions, 'anyone', { output: v.array(cueSchema) }),
} as const;
