import * as v from 'valibot';
import type { MadeDeck } from '../deck/made-slide.ts';
import type { BlockAnchor } from '../elements/block-anchor.ts';
import { type Tile, tileColours, tileKinds } from '../lesson/board.ts';
import {
  type Inset,
  type Lesson,
  materialPartKinds,
  type Narration,
  type Part,
  type Rule,
  type Stop,
  type Target,
  untimedPartKinds,
} from '../lesson/lesson.ts';
import type { LessonChange } from '../lesson/lesson-change.ts';
import { confidences } from '../question/response.ts';
import { id, line, pictureSchema, prose, recordingSchema, timeMs } from './base-schemas.ts';
import { describes } from './describes.ts';
import { questionSchema } from './question-schemas.ts';

const blockAnchor = describes<BlockAnchor>()(
  v.object({
    blockId: v.nullable(id),
    number: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000)),
    phrase: v.optional(line),
  }),
);
const anchorSchema = v.optional(blockAnchor);

const narrationSchema = describes<Narration>()(
  v.object({
    id,
    materialId: id,
    words: prose,
    atMs: timeMs,
    lengthMs: timeMs,
    filmSound: v.picklist(['silent', 'quiet']),
  }),
);
const narrations = v.pipe(v.array(narrationSchema), v.maxLength(200));

const insetSchema = describes<Inset>()(
  v.object({
    id,
    atMs: timeMs,
    anchor: blockAnchor,
    materialId: id,
    title: line,
  }),
);
const insets = v.pipe(v.array(insetSchema), v.maxLength(200));

const maxQuestions = 50;

const targetSchema = describes<Target>()(
  v.variant('kind', [
    v.object({ kind: v.literal('onward') }),
    v.object({
      kind: v.literal('part'),
      partId: id,
      stopId: v.optional(id),
      at: v.optional(v.object({ atMs: timeMs, anchor: anchorSchema })),
    }),
    v.object({ kind: v.literal('back') }),
    v.object({ kind: v.literal('end') }),
  ]),
);

const percent = v.pipe(v.number(), v.minValue(0), v.maxValue(100));

const groupName = v.pipe(v.string(), v.maxLength(80));
const onlyFor = v.optional(v.pipe(v.array(groupName), v.maxLength(20)));

const ruleSchema = describes<Rule>()(
  v.object({
    id,
    when: v.variant('kind', [
      v.object({
        kind: v.picklist(['scoreBelow', 'scoreFrom']),
        percent,
        of: v.optional(v.pipe(v.array(id), v.maxLength(50))),
      }),
      v.object({ kind: v.literal('picked'), questionId: id, optionId: v.pipe(v.string(), v.maxLength(64)) }),
      v.object({
        kind: v.picklist(['scaleBelow', 'scaleFrom']),
        questionId: id,
        value: v.pipe(v.number(), v.finite()),
      }),
      v.object({ kind: v.literal('confidenceAtMost'), confidence: v.picklist(confidences) }),
      v.object({ kind: v.literal('inGroup'), group: groupName }),
    ]),
    to: targetSchema,
  }),
);
const rules = v.pipe(v.array(ruleSchema), v.maxLength(20));

const smallCount = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000));
const hundredth = v.pipe(v.number(), v.minValue(0), v.maxValue(100));

const tileSchema = describes<Tile>()(
  v.object({
    id,
    title: line,
    picture: v.optional(pictureSchema),
    colour: v.picklist(tileColours),
    does: v.picklist(tileKinds),
    minutes: smallCount,
    worth: v.pipe(smallCount, v.maxValue(100)),
    to: v.variant('kind', [
      // Empty until it is chosen; no edition is made of it.
      v.object({ kind: v.literal('part'), partId: v.pipe(v.string(), v.maxLength(100)) }),
      v.object({ kind: v.literal('address'), url: v.pipe(v.string(), v.maxLength(2_000)) }),
    ]),
    at: v.optional(v.object({ x: hundredth, y: hundredth })),
    row: v.optional(smallCount),
    onlyFor,
  }),
);

const boardSchema = v.object({
  id,
  kind: v.literal('board'),
  atMs: timeMs,
  anchor: anchorSchema,
  prompt: prose,
  voice: v.optional(recordingSchema),
  arrangement: v.picklist(['grid', 'free']),
  columns: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(6)),
  tiles: v.pipe(v.array(tileSchema), v.maxLength(36)),
  need: v.variant('kind', [
    v.object({ kind: v.literal('any'), count: v.pipe(smallCount, v.minValue(1)) }),
    v.object({ kind: v.literal('eachRow') }),
    v.object({ kind: v.literal('firstAnd'), more: smallCount }),
    v.object({ kind: v.literal('worth'), worth: v.pipe(smallCount, v.minValue(1)) }),
  ]),
});

export const stopSchema = describes<Stop>()(
  v.variant('kind', [
    v.object({
      id,
      kind: v.literal('checkpoint'),
      atMs: timeMs,
      anchor: anchorSchema,
      required: v.boolean(),
      questions: v.pipe(v.array(questionSchema), v.maxLength(maxQuestions)),
      pick: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(maxQuestions))),
      shuffle: v.optional(v.boolean()),
      rules: v.optional(rules),
    }),
    v.object({
      id,
      kind: v.literal('pause'),
      atMs: timeMs,
      anchor: anchorSchema,
      note: prose,
      voice: v.optional(recordingSchema),
    }),
    v.object({
      id,
      kind: v.literal('fork'),
      atMs: timeMs,
      anchor: anchorSchema,
      prompt: prose,
      choices: v.pipe(
        v.array(
          v.object({
            ...{ id, words: line, picture: v.optional(pictureSchema), to: targetSchema },
            ...{ onlyFor, after: v.optional(id) },
          }),
        ),
        v.maxLength(12),
      ),
    }),
    boardSchema,
  ]),
);

const coordinate = v.pipe(v.number(), v.minValue(-100_000), v.maxValue(100_000));
const mapPlace = v.object({ x: coordinate, y: coordinate });

const editionNumber = v.pipe(v.number(), v.integer(), v.minValue(1));

const ofPart = {
  id,
  title: line,
  inMs: timeMs,
  outMs: timeMs,
  stops: v.pipe(v.array(stopSchema), v.maxLength(500)),
  directions: v.optional(recordingSchema),
  practice: v.optional(v.boolean()),
  onlyFor,
  from: v.optional(v.object({ lessonId: id, editionNumber, linkId: id, isAside: v.boolean() })),
  anyOrder: v.optional(id),
  mapAt: v.optional(mapPlace),
  rules: v.optional(rules),
  next: v.optional(targetSchema),
};

const partSchema = describes<Part>()(
  v.variant('kind', [
    v.object({
      ...ofPart,
      kind: v.picklist(materialPartKinds),
      materialId: id,
      narrations: v.optional(narrations),
      insets: v.optional(insets),
      nextLessonId: v.optional(id),
    }),
    v.object({ ...ofPart, kind: v.picklist(untimedPartKinds) }),
    v.object({ ...ofPart, kind: v.literal('lesson'), lessonId: id, editionNumber: v.nullable(editionNumber) }),
  ]),
);

export const lessonSchema = describes<Lesson>()(
  v.object({
    title: line,
    directions: v.optional(recordingSchema),
    parts: v.pipe(v.array(partSchema), v.maxLength(500)),
    freeFrom: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500))),
  }),
);

const index = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500));

const freeFrom = v.optional(v.nullable(index));
const inStop = { partId: id, stopId: id };
/** What a field may hold is looked at once the change is made: then all of the stop must be one. */
const field = id;

export const lessonChangeSchema = describes<LessonChange>()(
  v.variant('type', [
    v.object({ type: v.literal('setTitle'), title: line }),
    v.object({ type: v.literal('insertPart'), part: partSchema, index, freeFrom }),
    v.object({ type: v.literal('removePart'), partId: id, freeFrom }),
    v.object({ type: v.literal('movePart'), partId: id, index, freeFrom }),
    v.object({ type: v.literal('setPartTitle'), partId: id, title: line }),
    v.object({ type: v.literal('setWindow'), partId: id, inMs: timeMs, outMs: timeMs }),
    v.object({ type: v.literal('insertStop'), partId: id, stop: stopSchema, index: v.optional(index) }),
    v.object({ type: v.literal('removeStop'), partId: id, stopId: id }),
    v.object({ type: v.literal('moveStop'), partId: id, stopId: id, atMs: timeMs, anchor: anchorSchema }),
    v.object({
      type: v.literal('replaceParts'),
      partIds: v.pipe(v.array(id), v.minLength(1), v.maxLength(50)),
      parts: v.pipe(v.array(partSchema), v.minLength(1), v.maxLength(50)),
      freeFrom,
    }),
    v.object({ type: v.literal('setStopField'), ...inStop, field, value: v.optional(v.unknown()) }),
    v.object({ type: v.literal('setQuestionField'), ...inStop, questionId: id, field, value: v.optional(v.unknown()) }),
    v.object({ type: v.literal('putQuestion'), ...inStop, question: questionSchema, index }),
    v.object({ type: v.literal('removeQuestion'), ...inStop, questionId: id }),
    v.object({
      type: v.literal('orderQuestions'),
      ...inStop,
      questionIds: v.pipe(v.array(id), v.maxLength(maxQuestions)),
    }),
    v.object({ type: v.literal('replaceStop'), partId: id, stop: stopSchema }),
    v.object({
      type: v.literal('setDirections'),
      partId: v.nullable(id),
      directions: v.nullable(recordingSchema),
    }),
    v.object({ type: v.literal('setNarrations'), partId: id, narrations }),
    v.object({ type: v.literal('setInsets'), partId: id, insets }),
    v.object({ type: v.literal('setNextLesson'), partId: id, lessonId: v.nullable(id) }),
    v.object({ type: v.literal('setWay'), partId: id, next: v.nullable(targetSchema), rules }),
    v.object({ type: v.literal('setMapPlace'), partId: id, mapAt: v.nullable(mapPlace) }),
    v.object({ type: v.literal('setFreeFrom'), freeFrom: v.nullable(index) }),
    v.object({ type: v.literal('setPractice'), partId: id, practice: v.boolean() }),
    v.object({ type: v.literal('setEdition'), partId: id, editionNumber: v.nullable(editionNumber) }),
    v.object({
      type: v.literal('setOnlyFor'),
      partId: id,
      onlyFor: v.nullable(v.pipe(v.array(groupName), v.maxLength(20))),
    }),
    v.object({ type: v.literal('orderStops'), partId: id, stopIds: v.pipe(v.array(id), v.maxLength(500)) }),
  ]),
);

export const madeDeckSchema = describes<MadeDeck>()(
  v.object({
    portrait: v.boolean(),
    slides: v.pipe(
      v.array(
        v.object({
          id,
          heading: line,
          text: prose,
          pictures: v.pipe(v.array(pictureSchema), v.maxLength(4)),
          film: v.nullable(v.object({ materialId: id, title: line })),
          colour: v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/)),
          backgroundId: v.nullable(id),
          notes: prose,
        }),
      ),
      v.minLength(1),
      v.maxLength(100),
    ),
  }),
);
