import type { Hundredths } from '../lesson/lesson.ts';
import type { Response } from '../marking/response.ts';

/**
 * One thing that happened in an attempt. The log of these is the truth; everything else is computed from it.
 *
 * `sittingId` names one opening of the walk on one device, and `n` counts that sitting's events from 0 without
 * gaps: so the order a learner's browser meant can be kept, however its batches arrive. Teachers' events are
 * numbered by the server in a sitting of their own.
 */
export type AttemptEvent = EventEnvelope & EventBody;

export interface EventEnvelope {
  /** UUIDv7 made where the event was made. */
  readonly id: string;
  readonly sittingId: string;
  readonly n: number;
  /** Clock of the device, epoch milliseconds. Kept, never believed. */
  readonly at: number;
  /** Clock of the server when it took the event in, epoch milliseconds. */
  readonly receivedAt: number;
}

export type EventBody = LearnerEventBody | TeacherEventBody;

export type LearnerEventBody =
  | { readonly type: 'opened' }
  | { readonly type: 'hidden' | 'shown' }
  /** A stretch of a clip was played at a rate; times of the film in ms. */
  | {
      readonly type: 'met';
      readonly partId: string;
      readonly fromMs: number;
      readonly toMs: number;
      readonly rate: number;
    }
  | { readonly type: 'paused'; readonly partId: string; readonly atMs: number }
  | { readonly type: 'sought'; readonly partId: string; readonly fromMs: number; readonly toMs: number }
  | { readonly type: 'reachedStop'; readonly stopId: string }
  | { readonly type: 'draftSaved'; readonly stopId: string; readonly questionId: string; readonly response: Response }
  | { readonly type: 'answered'; readonly stopId: string; readonly responses: Readonly<Record<string, Response>> }
  | { readonly type: 'acknowledged'; readonly stopId: string }
  | { readonly type: 'passedStop'; readonly stopId: string }
  | { readonly type: 'handedIn' };

export type TeacherEventBody =
  | {
      readonly type: 'marked';
      readonly stopId: string;
      readonly questionId: string;
      readonly points: Hundredths;
      readonly by: string;
    }
  | {
      readonly type: 'commented';
      readonly stopId: string;
      readonly questionId: string;
      readonly text: string;
      readonly by: string;
    };

/** The sitting in which the server numbers what teachers do. */
export const teacherSittingId = 'teacher';
