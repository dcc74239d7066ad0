import type { AssignmentWindow } from '../assignment/window.ts';
import type { AttemptState } from '../attempt/attempt-state.ts';
import type { Terms } from '../attempt/terms.ts';
import type { Hundredths } from '../elements/points.ts';
import type { Board } from '../lesson/board.ts';
import type { Checkpoint, Fork, ForkChoice, Lesson, PartHead, Pause } from '../lesson/lesson.ts';
import type { PathPart, PathRule, PathTile } from '../path/path-lesson.ts';
import type { Hint, QuestionHead } from '../question/question.ts';
import type { Response, ResponseShape } from '../question/response.ts';

/** What gates and the reducer need of a lesson. An edition fits, and so does what a learner's browser is given. */
export interface WalkLesson extends Pick<Lesson, 'freeFrom'> {
  readonly parts: readonly WalkPart[];
}

export interface WalkPart extends PathPart, Pick<PartHead, 'onlyFor'> {
  readonly stops: readonly WalkStop[];
}

export type WalkStop = WalkCheckpoint | WalkFork | WalkBoard | WalkPause;

export interface WalkCheckpoint extends Pick<Checkpoint, 'id' | 'kind' | 'atMs' | 'required' | 'pick' | 'shuffle'> {
  readonly questions: readonly WalkQuestion[];
  readonly rules?: readonly PathRule[] | undefined;
}

interface WalkFork extends Pick<Fork, 'id' | 'kind' | 'atMs'> {
  readonly choices: readonly WalkChoice[];
}

interface WalkBoard extends Pick<Board, 'id' | 'kind' | 'atMs' | 'columns' | 'need'> {
  readonly tiles: readonly PathTile[];
}

type WalkPause = Pick<Pause, 'id' | 'kind' | 'atMs'>;

export type WalkChoice = Pick<ForkChoice, 'id' | 'to' | 'onlyFor' | 'after'>;

export type WalkQuestion = ResponseShape &
  Pick<QuestionHead, 'id' | 'points' | 'mayBeBlank' | 'tries' | 'timeLimitMs' | 'bankItemId'> & {
    /** The hint itself where it is known, else what it costs. */
    readonly hint?: Pick<Hint, 'cost'> | undefined;
    readonly hintCost?: Hundredths | undefined;
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
