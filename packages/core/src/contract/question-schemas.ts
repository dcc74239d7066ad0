import * as v from 'valibot';
import { drawingGrounds, type Question, type Rubric } from '../question/question.ts';
import { id, line, pictureSchema, prose, recordingSchema, timeMs } from './base-schemas.ts';
import { describes } from './describes.ts';

const hundredths = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000));
const worth = v.pipe(v.number(), v.integer(), v.minValue(-100_000), v.maxValue(100_000));
const percent = v.pipe(v.number(), v.minValue(0), v.maxValue(100));
const finite = v.pipe(v.number(), v.finite());
const coordinate = v.pipe(v.number(), v.minValue(0), v.maxValue(10_000));

/** Most of anything that stands in a list inside a question. */
const maxItems = 60;
const list = <T>(of: v.GenericSchema<unknown, T>) => v.pipe(v.array(of), v.maxLength(maxItems));

export const rubricSchema = describes<Rubric>()(
  v.object({
    criteria: v.pipe(
      v.array(
        v.object({
          id,
          title: line,
          levels: v.pipe(v.array(v.object({ id, words: line, points: hundredths })), v.maxLength(8)),
        }),
      ),
      v.maxLength(12),
    ),
  }),
);

const ofQuestion = {
  id,
  stem: prose,
  points: hundredths,
  teacherNote: prose,
  picture: v.optional(pictureSchema),
  sound: v.optional(recordingSchema),
  directions: v.optional(recordingSchema),
  feedback: v.optional(v.object({ correct: v.optional(prose), partly: v.optional(prose), wrong: v.optional(prose) })),
  hint: v.optional(v.object({ text: prose, cost: hundredths })),
  mayBeBlank: v.optional(v.boolean()),
  tries: v.optional(
    v.object({ count: v.pipe(v.number(), v.integer(), v.minValue(2), v.maxValue(10)), laterPercent: percent }),
  ),
  timeLimitMs: v.optional(v.pipe(timeMs, v.minValue(5_000))),
  modelAnswer: v.optional(prose),
  rubric: v.optional(rubricSchema),
  target: v.optional(line),
  asksConfidence: v.optional(v.boolean()),
  comparedWith: v.optional(id),
  bankItemId: v.optional(id),
};

const item = v.object({ id, text: prose });
const items = list(item);
const multiple = v.boolean();
const pieces = v.pipe(v.array(v.union([v.object({ text: prose }), v.object({ gapId: id })])), v.maxLength(200));
const pairs = list(v.tuple([id, id]));
const ids = list(id);

const ofArea = {
  id,
  shape: v.picklist(['rect', 'ellipse', 'poly']),
  coords: v.pipe(v.array(coordinate), v.minLength(4), v.maxLength(200)),
  label: line,
};

const wordCount = v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(5_000)));

export const questionSchema = describes<Question>()(
  v.variant('kind', [
    v.object({
      ...ofQuestion,
      kind: v.literal('choice'),
      multiple,
      options: list(
        v.object({
          ...item.entries,
          correct: v.boolean(),
          feedback: prose,
          picture: v.optional(pictureSchema),
          worth: v.optional(worth),
        }),
      ),
      shuffle: v.optional(v.boolean()),
      bounds: v.optional(v.object({ lower: worth, upper: worth })),
    }),
    v.object({ ...ofQuestion, kind: v.literal('poll'), multiple, options: items }),
    v.object({
      ...ofQuestion,
      kind: v.literal('inlineChoice'),
      pieces,
      gaps: list(v.object({ id, options: items, correctId: v.union([id, v.literal('')]) })),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('gapMatch'),
      pieces,
      words: items,
      gaps: list(v.object({ id, correctIds: ids })),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('textEntry'),
      pieces,
      gaps: list(v.object({ id, accepted: list(v.object({ text: line, percent })) })),
      tolerance: v.object({
        caseMatters: v.boolean(),
        accentsMatter: v.boolean(),
        slips: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(3)),
      }),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('numeric'),
      value: finite,
      tolerance: v.variant('kind', [
        v.object({ kind: v.literal('exact') }),
        v.object({ kind: v.literal('absolute'), by: v.pipe(finite, v.minValue(0)) }),
        v.object({ kind: v.literal('relative'), percent }),
      ]),
      significantFigures: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(15))),
      unit: v.pipe(v.string(), v.maxLength(40)),
      unitNeeded: v.boolean(),
    }),
    v.object({ ...ofQuestion, kind: v.literal('order'), items, scoring: v.picklist(['exact', 'pairs']) }),
    v.object({ ...ofQuestion, kind: v.literal('match'), sources: items, targets: items, pairs }),
    v.object({ ...ofQuestion, kind: v.literal('associate'), items, pairs }),
    v.object({
      ...ofQuestion,
      kind: v.literal('hottext'),
      multiple,
      words: v.pipe(
        v.array(v.object({ id, text: prose, standing: v.picklist(['plain', 'wrong', 'correct']) })),
        v.maxLength(500),
      ),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('hotspot'),
      multiple,
      areas: list(v.object({ ...ofArea, correct: v.boolean() })),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('selectPoint'),
      areas: list(v.object(ofArea)),
      maxPoints: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(maxItems)),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('graphicGapMatch'),
      words: items,
      areas: list(v.object({ ...ofArea, correctIds: ids })),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('slider'),
      min: finite,
      max: finite,
      step: finite,
      minLabel: line,
      maxLabel: line,
      key: v.optional(v.object({ from: finite, to: finite })),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('extendedText'),
      wordBox: v.optional(list(line)),
      starters: v.optional(list(line)),
      wordRange: v.optional(v.object({ min: wordCount, max: wordCount })),
    }),
    v.object({ ...ofQuestion, kind: v.literal('drawing'), ground: v.picklist(drawingGrounds) }),
    v.object({
      ...ofQuestion,
      kind: v.literal('upload'),
      maxFiles: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(10)),
    }),
    v.object({
      ...ofQuestion,
      kind: v.literal('record'),
      withPicture: v.boolean(),
      longestMs: v.pipe(timeMs, v.minValue(5_000), v.maxValue(600_000)),
    }),
    v.object({ ...ofQuestion, kind: v.literal('discussion') }),
  ]),
);
