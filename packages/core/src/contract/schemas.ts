import * as v from 'valibot';
import { countedChoices } from '../assignment/counted-attempt.ts';
import { addresseeKinds } from '../assignment/effective-terms.ts';
import { qtiLeftOutCodes } from '../formats/qti/left-out.ts';
import { materialKinds } from '../lesson/whole-part.ts';
import { leftOutCodes } from '../reading/left-out.ts';
import { blockKinds } from '../script/block-kind.ts';
import type { SheetLine, SheetStudent } from '../sheet/sheet-line.ts';
import { id } from './base-schemas.ts';
import { classLocales } from './class-locales.ts';
import {
  learnerQuestionSchema,
  learnerResponseSchema,
  learnerViewSchema,
  outcomeSchema,
  questionResultSchema,
} from './learner-schemas.ts';
import { lessonSchema } from './lesson-schemas.ts';
import { questionSchema } from './question-schemas.ts';
import { drawingSchema, handedFileSchema, responseSchema } from './response-schemas.ts';
import { roles } from './roles.ts';
import { answerSchema, faultSchema, sheetStopSchema, shownStateSchema, walkedPathsSchema } from './teacher-schemas.ts';

const instant = v.nullable(v.number());

export const termsSchema = v.object({
  skipping: v.boolean(),
  rewindAtStops: v.boolean(),
  turningBack: v.optional(v.boolean()),
  questionsWhenReached: v.optional(v.boolean()),
  maxRate: v.picklist([1, 1.25, 1.5, 2]),
  attempts: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(20))),
  counted: v.optional(v.picklist(countedChoices)),
  locale: v.optional(v.string()),
});

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

export const materialSchema = v.object({
  id: v.string(),
  title: v.string(),
  fileName: v.string(),
  byteLength: v.number(),
  /** Known once the file was looked into. */
  kind: v.nullable(v.picklist(materialKinds)),
  status: v.picklist(['checking', 'ready', 'refused']),
  /** How far bringing in has come, 0 to 1. */
  progress: v.nullable(v.number()),
  leftOut: v.array(v.object({ code: v.picklist(leftOutCodes), count: v.number() })),
  replacesId: v.nullable(v.string()),
  level: v.nullable(v.object({ words: v.number(), ease: v.number(), grade: v.number() })),
  refusal: v.nullable(v.string()),
  lengthMs: v.nullable(v.number()),
  mimeType: v.nullable(v.string()),
  width: v.nullable(v.number()),
  height: v.nullable(v.number()),
  captionCount: v.number(),
  /** Slides that can be changed here. */
  madeHere: v.boolean(),
  createdAt: v.number(),
  usedIn: v.array(v.string()),
});
export type Material = v.InferOutput<typeof materialSchema>;

export const slideSchema = v.object({
  id: v.string(),
  title: v.string(),
  html: v.string(),
  width: v.number(),
  height: v.number(),
  text: v.string(),
  notes: v.string(),
  lengthMs: v.number(),
});

export const contentSchema = v.object({
  /** Slides are shown by their words alone, until they are drawn. */
  isDrawing: v.boolean(),
  slides: v.array(slideSchema),
  blocks: v.array(
    v.object({
      id: v.string(),
      kind: v.picklist(blockKinds),
      html: v.string(),
      text: v.string(),
      lengthMs: v.number(),
    }),
  ),
});

const cueMs = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(24 * 3_600_000));
export const cueSchema = v.object({ startMs: cueMs, endMs: cueMs, text: v.pipe(v.string(), v.maxLength(5_000)) });

export const catalogueItemSchema = v.object({
  id: v.string(),
  title: v.string(),
  description: v.string(),
  author: v.string(),
  licence: v.string(),
  seconds: v.number(),
  hasCaptions: v.boolean(),
});
export type CatalogueItem = v.InferOutput<typeof catalogueItemSchema>;

export const captionFaultSchema = v.object({
  line: v.number(),
  code: v.picklist([
    'notCaptions',
    'timeUnreadable',
    'endBeforeStart',
    'overlapsPrevious',
    'cueWithoutWords',
    'blankLineMissing',
    'formUnusual',
  ]),
  kept: v.boolean(),
});

export const lessonSummarySchema = v.object({
  id: v.string(),
  title: v.string(),
  editionNumber: v.nullable(v.number()),
  changedSinceEdition: v.boolean(),
  stopCount: v.number(),
  filmMs: v.number(),
  readingMs: v.number(),
  answeringMs: v.number(),
  updatedAt: v.number(),
});
export type LessonSummary = v.InferOutput<typeof lessonSummarySchema>;

export const draftSchema = v.object({
  id: v.string(),
  lesson: lessonSchema,
  version: v.number(),
  updatedAt: v.number(),
  edition: v.nullable(v.object({ number: v.number(), draftVersion: v.number() })),
  materials: v.array(materialSchema),
  faults: v.array(faultSchema),
});
export type Draft = v.InferOutput<typeof draftSchema>;

export const assignmentSummarySchema = v.object({
  id: v.string(),
  title: v.string(),
  classId: v.string(),
  className: v.string(),
  timeZone: v.string(),
  opensAt: instant,
  dueAt: instant,
  closesAt: instant,
  /** To whom it was given, as far as the teacher follows them; the dates above are those of the first. */
  to: v.array(
    v.object({
      ...{ id: v.string(), kind: v.picklist(addresseeKinds), name: v.string(), classId: v.string() },
      ...{ opensAt: instant, dueAt: instant, closesAt: instant },
    }),
  ),
  studentCount: v.number(),
  begunCount: v.number(),
  handedInCount: v.number(),
  toMarkCount: v.number(),
  stuckCount: v.number(),
});
export type AssignmentSummary = v.InferOutput<typeof assignmentSummarySchema>;

export const localTime = v.nullable(v.pipe(v.string(), v.regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$/)));
export const windowFields = { opensAt: localTime, dueAt: localTime, closesAt: localTime };

/** To whom something is given: a class, a group or a student by the id; a student as one of a class. */
export const addresseeSchema = v.object({
  kind: v.picklist(addresseeKinds),
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(64)),
  /** Of a student: the class they are in. */
  classId: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(64))),
  /** Own dates; those of the assignment where absent. */
  window: v.optional(v.object(windowFields)),
});

/** What is made different for students. */
export const adjustmentSchema = v.variant('kind', [
  v.object({ kind: v.literal('extended'), window: v.object(windowFields) }),
  v.object({ kind: v.picklist(['extensionEnded', 'excused', 'excusalEnded', 'anotherAttempt']) }),
  v.object({
    kind: v.literal('editionSwapped'),
    /** Of the same lesson. */
    editionNumber: v.pipe(v.number(), v.integer(), v.minValue(1)),
  }),
]);

/** What was made different, with who and why. */
export const madeAdjustmentSchema = v.object({
  id: v.string(),
  kind: v.picklist(['extended', 'extensionEnded', 'excused', 'excusalEnded', 'anotherAttempt', 'editionSwapped']),
  at: v.number(),
  by: v.string(),
  reason: v.nullable(v.string()),
  opensAt: instant,
  dueAt: instant,
  closesAt: instant,
});

export const sheetLineSchema: v.GenericSchema<unknown, SheetLine> = v.strictObject({
  studentId: v.string(),
  displayName: v.string(),
  excused: v.boolean(),
  dueAt: instant,
  leftAt: v.optional(v.number()),
  attempt: v.optional(v.strictObject({ number: v.number(), count: v.number() })),
  row: v.nullable(v.string()),
});

export const sheetSchema = v.object({
  assignment: assignmentSummarySchema,
  terms: termsSchema,
  termsFixed: v.boolean(),
  editionNumber: v.number(),
  lessonId: v.string(),
  stops: v.array(sheetStopSchema),
  students: v.array(sheetLineSchema),
  now: v.number(),
  /** From which on the live channel tells what happens. */
  version: v.string(),
});
export type SentSheet = v.InferOutput<typeof sheetSchema>;
/** A sheet whose lines have been read. */
export type Sheet = Omit<SentSheet, 'students'> & { readonly students: readonly SheetStudent[] };

export const attemptDetailSchema = v.object({
  student: sheetLineSchema,
  lesson: lessonSchema,
  state: v.nullable(shownStateSchema),
});
export type AttemptDetail = v.InferOutput<typeof attemptDetailSchema>;

/** Where students of an assignment went; names by the ids of those who have begun. */
export const walkedPathSchema = v.object({
  lesson: lessonSchema,
  names: v.record(v.string(), v.string()),
  walked: walkedPathsSchema,
});
export type WalkedPath = v.InferOutput<typeof walkedPathSchema>;

export const markSchema = v.object({
  stopId: id,
  questionId: id,
  /** Null leaves the points as they are. */
  points: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0))),
  comment: v.pipe(v.string(), v.trim(), v.maxLength(5_000)),
  rubric: v.optional(v.record(id, id)),
  /** Null takes away what was said; absent leaves it. */
  voice: v.optional(v.nullable(handedFileSchema)),
  drawn: v.optional(v.record(id, drawingSchema)),
  /** Gives the answer back, to be worked on again. */
  returns: v.optional(v.boolean()),
});
export type MarkInput = v.InferOutput<typeof markSchema>;

export const markingQuestionSchema = v.object({
  stopId: v.string(),
  questionId: v.string(),
  stem: v.string(),
  answered: v.number(),
  waiting: v.number(),
});
export type MarkingQuestion = v.InferOutput<typeof markingQuestionSchema>;

export const questionAnswersSchema = v.object({
  stopId: v.string(),
  question: questionSchema,
  answers: v.array(
    v.object({
      studentId: v.string(),
      displayName: v.string(),
      answer: answerSchema,
      /** The same student's answer to the question this one is compared with. */
      before: v.nullable(responseSchema),
    }),
  ),
});
export type QuestionAnswers = v.InferOutput<typeof questionAnswersSchema>;

export const markMoveSchema = v.object({
  studentId: v.string(),
  displayName: v.string(),
  before: v.number(),
  after: v.number(),
  /** Marked by hand, and so left as it is. */
  byHand: v.boolean(),
});
export type MarkMove = v.InferOutput<typeof markMoveSchema>;

export const markChangeSchema = v.object({
  questionId: v.string(),
  at: v.number(),
  by: v.string(),
  /** Null where only words were said, or the answer was given back. */
  points: v.nullable(v.number()),
  comment: v.nullable(v.string()),
  returned: v.boolean(),
});
export type MarkChange = v.InferOutput<typeof markChangeSchema>;

export const threadPostSchema = v.object({
  studentId: v.string(),
  displayName: v.string(),
  text: v.string(),
  isOwn: v.boolean(),
  /** Only teachers are sent what is hidden. */
  hidden: v.boolean(),
  replies: v.array(
    v.object({
      id: v.string(),
      displayName: v.string(),
      isTeacher: v.boolean(),
      isOwn: v.boolean(),
      text: v.string(),
      at: v.number(),
      hidden: v.boolean(),
    }),
  ),
});
export type ThreadPost = v.InferOutput<typeof threadPostSchema>;

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

export const phraseSchema = v.object({ id: v.string(), text: v.string() });

export const todoItemSchema = v.strictObject({
  assignmentId: v.string(),
  title: v.string(),
  className: v.string(),
  timeZone: v.string(),
  teacherName: v.string(),
  opensAt: instant,
  dueAt: instant,
  closesAt: instant,
  filmMs: v.number(),
  readingMs: v.number(),
  answeringMs: v.number(),
  stopCount: v.number(),
  excused: v.boolean(),
  progress: v.number(),
  begun: v.boolean(),
  /** How many attempts were begun, and whether another may be now. */
  attempts: v.strictObject({ begun: v.number(), mayBegin: v.boolean() }),
  handedInAt: instant,
  earned: v.number(),
  possible: v.number(),
  waiting: v.boolean(),
  /** Answers that came back to be worked on again, and what the teacher says to them. */
  givenBack: v.strictObject({ count: v.number(), says: v.array(v.string()) }),
});
export type TodoItem = v.InferOutput<typeof todoItemSchema>;

export const feedbackItemSchema = v.strictObject({
  assignmentId: v.string(),
  title: v.string(),
  question: learnerQuestionSchema,
  response: learnerResponseSchema,
  result: questionResultSchema,
});
export type FeedbackItem = v.InferOutput<typeof feedbackItemSchema>;

export const walkSchema = v.strictObject({
  attemptId: v.string(),
  assignmentId: v.string(),
  timeZone: v.string(),
  opensAt: instant,
  dueAt: instant,
  closesAt: instant,
  terms: termsSchema,
  view: learnerViewSchema,
  /** The learner's assignments of the lessons to which readings lead on. */
  nextLessons: v.array(v.object({ lessonId: v.string(), assignmentId: v.string(), title: v.string() })),
  now: v.number(),
  version: v.string(),
});
export type Walk = v.InferOutput<typeof walkSchema>;

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

export const intakeSchema = v.strictObject({
  outcomes: v.array(outcomeSchema),
  version: v.number(),
  now: v.number(),
  /** Sent back when something was earned or refused, so that the browser shows the server's truth. */
  view: v.optional(learnerViewSchema),
});
export type IntakeAnswer = v.InferOutput<typeof intakeSchema>;
