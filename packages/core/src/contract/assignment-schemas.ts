import * as v from 'valibot';
import { countedChoices } from '../assignment/counted-attempt.ts';
import { addresseeKinds } from '../assignment/effective-terms.ts';
import { shownWhens } from '../attempt/terms.ts';
import type { SheetLine, SheetStudent } from '../sheet/sheet-line.ts';
import { instant } from './base-schemas.ts';
import { describes } from './describes.ts';
import { lessonSchema } from './lesson-schemas.ts';
import { sheetStopSchema, walkedPathsSchema } from './teacher-schemas.ts';

const percent = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(100));
const shownWhen = v.optional(v.picklist(shownWhens));

export const termsSchema = v.object({
  skipping: v.boolean(),
  rewindAtStops: v.boolean(),
  turningBack: v.optional(v.boolean()),
  questionsWhenReached: v.optional(v.boolean()),
  hiddenUntilOpen: v.optional(v.boolean()),
  maxRate: v.picklist([1, 1.25, 1.5, 2]),
  attempts: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(20))),
  counted: v.optional(v.picklist(countedChoices)),
  late: v.optional(
    v.variant('kind', [
      v.object({ kind: v.literal('refused') }),
      v.object({
        kind: v.literal('worthLess'),
        percentEachDay: percent,
        maxPercent: percent,
        /** A week at most. */
        graceMinutes: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(10_080)),
      }),
    ]),
  ),
  shown: v.optional(v.object({ points: shownWhen, feedback: shownWhen, keys: shownWhen })),
  isExtra: v.optional(v.boolean()),
  /** Hundredths. */
  worth: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1_000_000))),
  category: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(40))),
  locale: v.optional(v.string()),
});

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
  /** The series of which it is a step. */
  series: v.nullable(v.object({ id: v.string(), title: v.string() })),
  /** When it was given, epoch ms. */
  givenAt: v.number(),
  /** Taken back then; null while students have it. */
  takenBackAt: instant,
  studentCount: v.number(),
  begunCount: v.number(),
  handedInCount: v.number(),
  toMarkCount: v.number(),
  /** When the first of those that wait to be marked was handed in; null where none was. */
  toMarkSince: instant,
  /** Past their date and not handed in, and since when the first of them is. */
  overdueCount: v.number(),
  overdueSince: instant,
  /** Handed in since the last school day's afternoon. */
  cameInCount: v.number(),
  /** How many wrote back to what was said to an answer, and wait; told where a day begins. */
  wroteBackCount: v.optional(v.number()),
  stuckCount: v.number(),
});
export type AssignmentSummary = v.InferOutput<typeof assignmentSummarySchema>;

/** What a teacher says to all who receive something. */
export const noteToAll = v.pipe(v.string(), v.trim(), v.maxLength(1_000));

export const localTime = v.nullable(v.pipe(v.string(), v.regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$/)));

export const windowFields = { opensAt: localTime, dueAt: localTime, closesAt: localTime };

/** To whom something is given: a class, a group or a student by the id; a student as one of a class. */
export const addresseeSchema = v.object({
  kind: v.picklist(['class', 'group', 'student']),
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(64)),
  /** Of a student: the class they are in. */
  classId: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(64))),
  /** Own dates; those of the assignment where absent. */
  window: v.optional(v.object(windowFields)),
});

/** What is made different for students. */
export const adjustmentSchema = v.variant('kind', [
  v.object({ kind: v.literal('extended'), window: v.object(windowFields) }),
  /** So many days more than each of them has. */
  v.object({ kind: v.literal('extendedBy'), days: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(365)) }),
  /** Their own dates as they were before they were last changed. */
  v.object({ kind: v.literal('datesTakenBack') }),
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

export const sheetLineSchema = describes<SheetLine>()(
  v.strictObject({
    studentId: v.string(),
    displayName: v.string(),
    excused: v.boolean(),
    dueAt: instant,
    leftAt: v.optional(v.number()),
    cameTooLate: v.optional(v.literal(true)),
    isGuest: v.optional(v.literal(true)),
    attempt: v.optional(v.strictObject({ number: v.number(), count: v.number() })),
    result: v.optional(v.strictObject({ earned: v.number(), latePercent: v.number() })),
    row: v.nullable(v.string()),
  }),
);

export const sheetSchema = v.object({
  assignment: assignmentSummarySchema,
  terms: termsSchema,
  /** The greatest number of attempts that a student has begun: what of the terms can be changed goes by it. */
  mostAttempts: v.number(),
  /** When what waits to be shown to students was released for all, epoch ms. */
  releasedAt: instant,
  /** What its teacher says to all who receive it. */
  note: v.string(),
  /** Whether the asker runs it; who stands in only follows it, and gives time. */
  runs: v.boolean(),
  editionNumber: v.number(),
  /** A newer edition of the lesson, and who could have it: those who have not begun, and have an older one. */
  newer: v.nullable(
    v.object({
      editionNumber: v.number(),
      studentIds: v.array(v.string()),
      /** How many have begun an older one. */
      begunCount: v.number(),
    }),
  ),
  lessonId: v.string(),
  stops: v.array(sheetStopSchema),
  students: v.array(sheetLineSchema),
  /** Of students who were erased: how many had begun and handed in, and what those earned; null where there are none. */
  erased: v.nullable(v.object({ begun: v.number(), handedIn: v.number(), earned: v.number(), possible: v.number() })),
  now: v.number(),
  /** From which on the live channel tells what happens. */
  version: v.string(),
});
export type SentSheet = v.InferOutput<typeof sheetSchema>;

/** A sheet whose lines have been read. */
export type Sheet = Omit<SentSheet, 'students'> & { readonly students: readonly SheetStudent[] };

const inPoints = v.object({ earned: v.number(), possible: v.number() });

/** What another edition would do to one student's work. */
export const swapLineSchema = v.object({
  ...{ studentId: v.string(), displayName: v.string() },
  /** How many answers stay, and the questions whose answers would count for nothing. */
  ...{ carried: v.number(), lost: v.array(v.string()) },
  ...{ wasHandedIn: v.boolean(), isHandedIn: v.boolean() },
  ...{ before: inPoints, after: inPoints },
});
export type SwapLine = v.InferOutput<typeof swapLineSchema>;

/** Where students of an assignment went; names by the ids of those who have begun. */
export const walkedPathSchema = v.object({
  lesson: lessonSchema,
  names: v.record(v.string(), v.string()),
  walked: walkedPathsSchema,
});
export type WalkedPath = v.InferOutput<typeof walkedPathSchema>;
