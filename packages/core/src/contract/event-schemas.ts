import * as v from 'valibot';
import type { EventEnvelope, LearnerEventBody } from '../attempt/attempt-event.ts';
import { id } from './base-schemas.ts';
import { describes } from './describes.ts';
import { responseSchema } from './response-schemas.ts';

const uuid = v.pipe(v.string(), v.uuid());
const filmMs = v.pipe(v.number(), v.minValue(0), v.maxValue(24 * 3_600_000));

/** An event as a learner's browser sends it: the server adds when it came. */
export type SentEvent = Omit<EventEnvelope, 'receivedAt' | 'merged'> & LearnerEventBody;

const envelope = {
  id: uuid,
  sittingId: uuid,
  n: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000)),
  at: v.pipe(v.number(), v.integer()),
};

const bare = (type: 'opened' | 'hidden' | 'shown' | 'gap' | 'handedIn' | 'withdrawn') =>
  v.object({ ...envelope, type: v.literal(type) });
const atStop = (type: 'reachedStop' | 'acknowledged' | 'passedStop' | 'kept') =>
  v.object({ ...envelope, type: v.literal(type), stopId: id });

export const sentEventSchema = describes<SentEvent>()(
  v.variant('type', [
    bare('opened'),
    bare('hidden'),
    bare('shown'),
    bare('gap'),
    bare('handedIn'),
    bare('withdrawn'),
    v.object({
      ...envelope,
      type: v.literal('met'),
      partId: id,
      fromMs: filmMs,
      toMs: filmMs,
      rate: v.pipe(v.number(), v.minValue(0.1), v.maxValue(16)),
    }),
    v.object({ ...envelope, type: v.picklist(['openedTile', 'didTile']), stopId: id, tileId: id }),
    v.object({ ...envelope, type: v.literal('chose'), stopId: id, choiceId: id }),
    v.object({ ...envelope, type: v.literal('paused'), partId: id, atMs: filmMs }),
    v.object({ ...envelope, type: v.literal('sought'), partId: id, fromMs: filmMs, toMs: filmMs }),
    atStop('reachedStop'),
    atStop('acknowledged'),
    atStop('passedStop'),
    atStop('kept'),
    v.object({ ...envelope, type: v.literal('hintTaken'), stopId: id, questionId: id }),
    v.object({ ...envelope, type: v.literal('began'), stopId: id, questionId: id }),
    v.object({
      ...envelope,
      type: v.literal('timeUp'),
      stopId: id,
      questionId: id,
      response: v.nullable(responseSchema),
    }),
    v.object({ ...envelope, type: v.literal('draftSaved'), stopId: id, questionId: id, response: responseSchema }),
    v.object({ ...envelope, type: v.literal('revised'), stopId: id, questionId: id, response: responseSchema }),
    v.object({ ...envelope, type: v.literal('answered'), stopId: id, responses: v.record(id, responseSchema) }),
  ]),
);

/** Most events one request may bring. */
export const maxEventsPerBatch = 100;
/** Of a whole walk of which nothing is kept; far more than anybody does in one. */
export const maxEventsPerPractice = 2_000;
