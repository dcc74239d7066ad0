import * as v from 'valibot';
import type { WalkedPaths } from '../analysis/walked-paths.ts';
import type { Answer } from '../attempt/attempt-state.ts';
import type { Fault } from '../checks/check-lesson.ts';
import type { ShownState } from '../sheet/shown-state.ts';
import { drawingSchema, handedFileSchema, responseSchema } from './response-schemas.ts';

// What teachers are answered with that core computes. Strict: a field that is not named here goes to nobody.

const text = v.string();
const number = v.number();
const byId = <S extends v.GenericSchema>(schema: S) => v.record(text, schema);
/** Core's own types are narrower than what is looked at here: codes and kinds are among its lists, and are tested there. */
const as = <T>(schema: v.GenericSchema) => schema as unknown as v.GenericSchema<unknown, T>;

export const faultSchema = as<Fault>(
  v.strictObject({
    code: text,
    partId: v.optional(text),
    stopId: v.optional(text),
    questionId: v.optional(text),
  }),
);

/** What heads a column of the sheet. */
export const sheetStopSchema = v.strictObject({
  id: text,
  kind: v.picklist(['checkpoint', 'pause', 'fork', 'board']),
  label: text,
  partTitle: text,
  practice: v.boolean(),
});

const earlier = v.strictObject({
  response: responseSchema,
  points: v.nullable(number),
  comment: v.nullable(text),
  because: v.picklist(['tried', 'returned']),
  hintCost: v.optional(number),
});

export const answerSchema = as<Answer>(
  v.strictObject({
    response: responseSchema,
    points: v.nullable(number),
    markedBy: v.nullable(text),
    comment: v.nullable(text),
    earned: v.optional(number),
    earlier: v.optional(v.array(earlier)),
    rubric: v.optional(byId(text)),
    voice: v.optional(handedFileSchema),
    drawn: v.optional(byId(drawingSchema)),
    returned: v.optional(v.boolean()),
    hintCost: v.optional(number),
  }),
);

const stopState = v.strictObject({
  phase: v.picklist(['open', 'answered', 'acknowledged', 'chosen', 'passed']),
  openedAt: number,
  openedAtSpentMs: number,
  settledAt: v.nullable(number),
  spentMs: v.optional(number),
  arrivedAt: v.optional(number),
  began: v.optional(byId(number)),
  ended: v.optional(v.array(text)),
  drafts: byId(responseSchema),
  answers: byId(answerSchema),
  hints: v.optional(v.array(text)),
  choiceId: v.optional(text),
  tiles: v.optional(byId(v.picklist(['opened', 'done']))),
});

const via = v.variant('kind', [
  v.strictObject({ kind: v.literal('choice'), stopId: text, choiceId: text }),
  v.strictObject({ kind: v.literal('tile'), stopId: text, tileId: text }),
  v.strictObject({ kind: v.literal('rule'), of: text, ruleId: text }),
  v.strictObject({ kind: v.literal('next'), partId: text }),
  v.strictObject({ kind: v.picklist(['order', 'start']) }),
]);

export const shownStateSchema = as<ShownState>(
  v.strictObject({
    parts: byId(
      v.strictObject({
        coverage: v.array(v.strictObject({ fromMs: number, toMs: number, times: number })),
        furthestMs: number,
        positionMs: number,
        pauses: v.optional(v.array(number)),
        rewinds: v.optional(v.array(v.tuple([number, number]))),
        blockMs: v.optional(byId(number)),
      }),
    ),
    spells: v.optional(
      v.array(v.strictObject({ fromAt: number, untilAt: number, spentMs: number, timesAway: number })),
    ),
    spentIn: v.optional(byId(number)),
    route: v.optional(v.strictObject({ legs: v.array(v.strictObject({ partId: text, via })), isAtEnd: v.boolean() })),
    stops: byId(stopState),
    discrepancies: v.strictObject({
      cutMs: number,
      hiddenMs: number,
      lateAnswers: number,
      refusedCount: number,
      refusals: v.array(v.strictObject({ eventId: text, reason: text })),
    }),
    afterClosing: v.optional(
      v.strictObject({
        ...{ events: number, answers: number, fromAt: number, untilAt: number, arrivedAt: number, length: number },
      }),
    ),
  }),
);

export const walkedPathsSchema = as<WalkedPaths>(
  v.strictObject({
    taken: byId(number),
    turnedBack: byId(number),
    at: byId(v.array(text)),
    routes: v.array(
      v.strictObject({
        partIds: v.array(text),
        wayKeys: v.array(text),
        studentIds: v.array(text),
        medianTimeMs: number,
      }),
    ),
  }),
);
