import type { Hundredths } from '../lesson/points.ts';
import type { RubricLevels } from '../marking/rubric.ts';
import type { Drawing } from '../question/drawing.ts';
import type { HandedFile, Response } from '../question/response.ts';

/**
 * One thing that happened in an attempt. The log of these is the truth; everything else is computed from it.
 *
 * `sittingId` names one opening of the walk on one device, and `n` counts that sitting's events from 0 without
 * gaps: so the order a learner's browser meant can be kept, however its batches arrive. Teachers' events are
 * numbered by the server in a sitting of their own.
 */
export type AttemptEvent = EventEnvelope & EventBody;

/** What a learner does, rather than their teacher. */
export type LearnerEvent = Extract<AttemptEvent, { type: LearnerEventBody['type'] }>;

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
  /** Answers that could be tried again are left as they are. */
  | { readonly type: 'kept'; readonly stopId: string }
  | { readonly type: 'hintTaken'; readonly stopId: string; readonly questionId: string }
  | { readonly type: 'acknowledged'; readonly stopId: string }
  | { readonly type: 'passedStop'; readonly stopId: string }
  /** A way was chosen at a fork; again, where the terms let a student turn back. */
  | { readonly type: 'chose'; readonly stopId: string; readonly choiceId: string }
  /** A tile of a board was opened; one that leads outside is said to be done. */
  | { readonly type: 'openedTile' | 'didTile'; readonly stopId: string; readonly tileId: string }
  | { readonly type: 'handedIn' }
  /** What was handed in is taken back, to go on with it. */
  | { readonly type: 'withdrawn' }
  /** An answer that was given back is given again. */
  | { readonly type: 'revised'; readonly stopId: string; readonly questionId: string; readonly response: Response };

export type TeacherEventBody =
  | {
      readonly type: 'marked';
      readonly stopId: string;
      readonly questionId: string;
      readonly points: Hundredths;
      readonly rubric?: RubricLevels | undefined;
      readonly by: string;
    }
  | {
      readonly type: 'commented';
      readonly stopId: string;
      readonly questionId: string;
      readonly text: string;
      /** Said aloud as well; null takes back what was said, absent leaves it. */
      readonly voice?: HandedFile | null | undefined;
      readonly drawn?: Readonly<Record<string, Drawing>> | undefined;
      readonly by: string;
    }
  /** An answer is given back, to be worked on again. */
  | {
      readonly type: 'returned';
      readonly stopId: string;
      readonly questionId: string;
      readonly by: string;
    }
  /** The program marks an answer anew, by a key that was put right: what the response itself comes to now. */
  | {
      readonly type: 'remarked';
      readonly stopId: string;
      readonly questionId: string;
      readonly earned: Hundredths;
      readonly by: string;
    }
  /** A student is given more time for what is timed. */
  | { readonly type: 'extended'; readonly extraTime: number; readonly by: string }
  /** The groups of the class a student was in when they began. */
  | { readonly type: 'grouped'; readonly groups: readonly string[]; readonly by: string };

/** Types of events that only teachers make. */
export const teacherEventTypes: ReadonlySet<EventBody['type']> = new Set([
  'marked',
  'commented',
  'returned',
  'remarked',
  'extended',
  'grouped',
] satisfies TeacherEventBody['type'][]);

/** The sitting in which the server numbers what teachers do. */
export const teacherSittingId = 'teacher';
