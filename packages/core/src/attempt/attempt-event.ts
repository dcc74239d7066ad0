import type { Hundredths } from '../elements/points.ts';
import type { RubricLevels } from '../marking/rubric.ts';
import type { Drawing } from '../question/drawing.ts';
import type { HandedFile, Response } from '../question/response.ts';
import type { Refusal } from './refusal.ts';

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
  /**
   * When it happened, epoch milliseconds, by the device's reckoning of the server's clock. Believed as far as the
   * server's own clock bounds it: see `event-time.ts`.
   */
  readonly at: number;
  /** Clock of the server when it took the event in, epoch milliseconds. */
  readonly receivedAt: number;
  /** Of a draft that stands in the log for the drafts of the same question just before it. Said by the server only. */
  readonly merged?: MergedDrafts | undefined;
}

/** Drafts whose place in the log a later one took. */
export interface MergedDrafts {
  readonly count: number;
  /** Time on task that they and this one counted together, in ms. */
  readonly spentMs: number;
}

export type EventBody = LearnerEventBody | TeacherEventBody | RefusedBody;

/** What the log keeps of an event that was refused: that it came, and why it was not taken, but not what it said. */
export interface RefusedBody {
  readonly type: 'refused';
  readonly was: LearnerEventBody['type'];
  readonly reason: Refusal;
}

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
  /** Without a response once a later draft of the question is kept: what it said counts no longer. */
  | {
      readonly type: 'draftSaved';
      readonly stopId: string;
      readonly questionId: string;
      readonly response?: Response | undefined;
    }
  /** Stands where an event was that could not be sent. */
  | { readonly type: 'gap' }
  /** The student looks at a timed question: its time begins. */
  | { readonly type: 'began'; readonly stopId: string; readonly questionId: string }
  /** The time of a question ran out with this written; null where nothing was. */
  | {
      readonly type: 'timeUp';
      readonly stopId: string;
      readonly questionId: string;
      readonly response: Response | null;
    }
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
      /** What each earlier try comes to, the oldest first; absent in logs of the first editions of this program. */
      readonly earlier?: readonly Hundredths[] | undefined;
      readonly by: string;
    }
  /** What came in after closing, up to a moment of the server's clock, counts all the same. */
  | { readonly type: 'admitted'; readonly until: number; readonly by: string }
  /** A student is given more time for what is timed. */
  | { readonly type: 'extended'; readonly extraTime: number; readonly by: string }
  /** The groups of the class a student was in when they began. */
  | { readonly type: 'grouped'; readonly groups: readonly string[]; readonly by: string };

/** The sitting in which the server numbers what teachers do. */
export const teacherSittingId = 'teacher';
