import * as v from 'valibot';
import { type BlockAnchor, type Lesson, type Part, partKinds, type Question, type Stop } from '../lesson/lesson.ts';
import type { LessonChange } from '../lesson/lesson-change.ts';

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(64));
const timeMs = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(24 * 3_600_000));
const line = v.pipe(v.string(), v.maxLength(500));
const prose = v.pipe(v.string(), v.maxLength(20_000));
const hundredths = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000));

const choiceOption = v.object({ id, text: prose, right: v.boolean(), feedback: prose });

const questionSchema: v.GenericSchema<unknown, Question> = v.variant('kind', [
  v.object({
    id,
    kind: v.literal('choice'),
    stem: prose,
    points: hundredths,
    several: v.boolean(),
    options: v.pipe(v.array(choiceOption), v.maxLength(30)),
    teacherNote: prose,
  }),
  v.object({
    id,
    kind: v.literal('extendedText'),
    stem: prose,
    points: hundredths,
    modelAnswer: prose,
    teacherNote: prose,
  }),
]);

const anchorSchema: v.GenericSchema<unknown, BlockAnchor | undefined> = v.optional(
  v.object({
    blockId: v.nullable(id),
    number: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000)),
    phrase: v.optional(line),
  }),
);

const stopSchema: v.GenericSchema<unknown, Stop> = v.variant('kind', [
  v.object({
    id,
    kind: v.literal('checkpoint'),
    atMs: timeMs,
    anchor: anchorSchema,
    required: v.boolean(),
    questions: v.pipe(v.array(questionSchema), v.maxLength(50)),
  }),
  v.object({ id, kind: v.literal('pause'), atMs: timeMs, anchor: anchorSchema, note: prose }),
]);

const partSchema: v.GenericSchema<unknown, Part> = v.object({
  id,
  kind: v.picklist(partKinds),
  title: line,
  materialId: id,
  inMs: timeMs,
  outMs: timeMs,
  stops: v.pipe(v.array(stopSchema), v.maxLength(500)),
});

export const lessonSchema: v.GenericSchema<unknown, Lesson> = v.object({
  title: line,
  parts: v.pipe(v.array(partSchema), v.maxLength(500)),
});

const index = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500));

export const lessonChangeSchema: v.GenericSchema<unknown, LessonChange> = v.variant('type', [
  v.object({ type: v.literal('setTitle'), title: line }),
  v.object({ type: v.literal('insertPart'), part: partSchema, index }),
  v.object({ type: v.literal('removePart'), partId: id }),
  v.object({ type: v.literal('movePart'), partId: id, index }),
  v.object({ type: v.literal('setPartTitle'), partId: id, title: line }),
  v.object({ type: v.literal('setWindow'), partId: id, inMs: timeMs, outMs: timeMs }),
  v.object({ type: v.literal('insertStop'), partId: id, stop: stopSchema }),
  v.object({ type: v.literal('removeStop'), partId: id, stopId: id }),
  v.object({ type: v.literal('moveStop'), partId: id, stopId: id, atMs: timeMs, anchor: anchorSchema }),
  v.object({
    type: v.literal('replaceParts'),
    partIds: v.pipe(v.array(id), v.minLength(1), v.maxLength(50)),
    parts: v.pipe(v.array(partSchema), v.minLength(1), v.maxLength(50)),
  }),
  v.object({ type: v.literal('replaceStop'), partId: id, stop: stopSchema }),
]);
