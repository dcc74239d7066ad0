import type { AssignmentWindow } from '../assignment/window.ts';
import type { AttemptState } from '../attempt/attempt-state.ts';
import type { Terms } from '../attempt/terms.ts';
import type { Hundredths } from '../elements/points.ts';
import type { BoardNeed } from '../lesson/board.ts';
import type { Target } from '../lesson/lesson.ts';
import type { PathPart, PathRule, PathTile } from '../path/path-lesson.ts';
import type { Tries } from '../question/question.ts';
import type { Response, ResponseShape } from '../question/response.ts';

/** What gates and the reducer need of a lesson. An edition fits, and so does what a learner's browser is given. */
export interface WalkLesson {
  readonly parts: readonly WalkPart[];
  readonly freeFrom?: number | undefined;
}

export interface WalkPart extends PathPart {
  readonly stops: readonly WalkStop[];
  readonly onlyFor?: readonly string[] | undefined;
}

export type WalkStop =
  | {
      readonly id: string;
      readonly kind: 'checkpoint';
      readonly atMs: number;
      readonly required: boolean;
      readonly questions: readonly WalkQuestion[];
      readonly pick?: number | undefined;
      readonly shuffle?: boolean | undefined;
      readonly rules?: readonly PathRule[] | undefined;
    }
  | {
      readonly id: string;
      readonly kind: 'fork';
      readonly atMs: number;
      readonly choices: readonly WalkChoice[];
    }
  | {
      readonly id: string;
      readonly kind: 'board';
      readonly atMs: number;
      readonly columns: number;
      readonly tiles: readonly PathTile[];
      readonly need: BoardNeed;
    }
  | { readonly id: string; readonly kind: 'pause'; readonly atMs: number };

export interface WalkChoice {
  readonly id: string;
  readonly to: Target;
  readonly onlyFor?: readonly string[] | undefined;
  readonly after?: string | undefined;
}

export type WalkQuestion = ResponseShape & {
  readonly id: string;
  readonly points: Hundredths;
  readonly mayBeBlank?: boolean | undefined;
  readonly tries?: Tries | undefined;
  readonly timeLimitMs?: number | undefined;
  /** The hint itself where it is known, else what it costs. */
  readonly hint?: { readonly cost: Hundredths } | undefined;
  readonly hintCost?: Hundredths | undefined;
  readonly bankItemId?: string | undefined;
};

/** What a hint costs; null where there is none. */
export function hintCostOf({ hint, hintCost }: Pick<WalkQuestion, 'hint' | 'hintCost'>): Hundredths | null {
  return hint?.cost ?? hintCost ?? null;
}

/** Marks a response that came at a moment, epoch ms, by the key of then; or says null where a teacher must, or where the key is not to be had here. */
export type Marker = (questionId: string, response: Response, at: number) => Hundredths | null;

/** Up to where a class may go together: a place of a part. What lies behind it is closed until it moves on. */
export interface Pace {
  readonly partId: string;
  readonly untilMs: number;
}

/** What an attempt is walked against. */
export interface WalkContext {
  readonly lesson: WalkLesson;
  readonly terms: Terms;
  readonly mark: Marker;
  /** What of the lesson is one student's, where it is not told already: what is drawn, and what is for their groups. */
  readonly own?: ((lesson: WalkLesson, state: AttemptState) => WalkLesson) | undefined;
  /** How far a class is led at present; absent where everybody goes at their own pace. */
  readonly pace?: Pace | undefined;
  /** The window in force when something came in, server clock, epoch ms; always open where nobody says. */
  readonly windowAt?: ((receivedAt: number) => AssignmentWindow | null) | undefined;
}

export function findPart(lesson: WalkLesson, partId: string): WalkPart | undefined {
  return lesson.parts.find((part) => part.id === partId);
}

export function findStop(lesson: WalkLesson, stopId: string): { part: WalkPart; stop: WalkStop } | undefined {
  for (const part of lesson.parts) {
    const stop = part.stops.find((candidate) => candidate.id === stopId);
    if (stop) return { part, stop };
  }
  return undefined;
}
