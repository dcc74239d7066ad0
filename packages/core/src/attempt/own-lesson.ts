import { shuffled } from '../question/shuffled.ts';
import type { AttemptState } from './attempt-state.ts';
import type { WalkContext } from './walk-lesson.ts';

/** What tells what is drawn for a student: when they began. Who began in the same millisecond is given the same; that does no harm. */
export function seedOf(state: Pick<AttemptState, 'begunAt'>): string {
  return String(state.begunAt);
}

interface DrawnStop {
  readonly id: string;
  readonly kind: string;
  readonly questions?: readonly { readonly id: string }[];
  readonly pick?: number | undefined;
  readonly shuffle?: boolean | undefined;
}

interface Drawn {
  readonly parts: readonly { readonly stops: readonly DrawnStop[] }[];
}

/** Lessons are never altered, so whether anything in one is drawn is looked up once. */
const drawnBefore = new WeakMap<Drawn, boolean>();

/**
 * The lesson as one student meets it: at a checkpoint that gives each student some of its questions, or all in an
 * order of their own, those of this student. The same object where every student meets the same.
 */
export function ownLesson<L extends Drawn>(lesson: L, state: Pick<AttemptState, 'begunAt'>): L {
  if (!isDrawn(lesson)) return lesson;
  const seed = seedOf(state);
  return {
    ...lesson,
    parts: lesson.parts.map((part) => ({ ...part, stops: part.stops.map((stop) => ownStop(stop, seed)) })),
  };
}

/** What a student's attempt is walked against. */
export function ownContext(context: WalkContext, state: AttemptState): WalkContext {
  const lesson = ownLesson(context.lesson, state);
  return lesson === context.lesson ? context : { ...context, lesson };
}

function isDrawn(lesson: Drawn): boolean {
  const known = drawnBefore.get(lesson);
  if (known !== undefined) return known;
  const found = lesson.parts.some(({ stops }) =>
    stops.some((stop) => stop.pick !== undefined || stop.shuffle === true),
  );
  drawnBefore.set(lesson, found);
  return found;
}

function ownStop<S extends DrawnStop>(stop: S, seed: string): S {
  const { questions, pick, shuffle, ...rest } = stop;
  if (!questions || (pick === undefined && !shuffle)) return stop;
  const drawn = shuffled(questions, `${seed} ${stop.id}`).slice(0, pick);
  // Without an order of their own, students meet what they are given in the order of the desk.
  const given = shuffle ? drawn : questions.filter((question) => drawn.includes(question));
  return { ...rest, questions: given } as unknown as S;
}
