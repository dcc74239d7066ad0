import type { AttemptState } from '../attempt/attempt-state.ts';
import { shuffledByWords } from '../question/shuffled.ts';
import { shuffledBy } from '../question/shuffled-by-secret.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';
import { isGrouped, lessonForGroups } from './lesson-for-groups.ts';

type DrawSeed = { readonly secret: string } | { readonly begunAt: number };

interface DrawnStop {
  readonly id: string;
  readonly kind: string;
  readonly questions?: readonly { readonly id: string }[];
  readonly pick?: number | undefined;
  readonly shuffle?: boolean | undefined;
}

type Grouped = Parameters<typeof lessonForGroups>[0];
type GroupedPart = Grouped['parts'][0];
interface Drawn extends Grouped {
  readonly parts: readonly (Omit<GroupedPart, 'stops'> & {
    readonly stops: readonly (GroupedPart['stops'][0] & DrawnStop)[];
  })[];
}

interface Kept {
  readonly isGrouped: boolean;
  readonly isDrawn: boolean;
  /** Lessons of students, by what makes them theirs; the latest asked for. */
  readonly own: Map<string, Drawn>;
}

/** Lessons are never altered, so what is drawn or only for some in one is looked up once, and what comes of it kept. */
const keptOf = new WeakMap<Drawn, Kept>();

/** What is computed of a student's own lesson is computed once only as long as the lesson is the same object. */
const maxKept = 200;

/**
 * The lesson as one student meets it: what is for their groups, and at a checkpoint that gives each student some of
 * its questions, or all in an order of their own, those of this student. The same object where every student meets
 * the same.
 */
export function ownLesson<L extends Drawn>(
  lesson: L,
  state: Pick<AttemptState, 'secret' | 'drawnByTime' | 'begunAt' | 'groups'>,
): L {
  const kept = lookUp(lesson);
  if (!kept.isDrawn && !kept.isGrouped) return lesson;
  const seed: DrawSeed = state.drawnByTime ? { begunAt: state.begunAt } : { secret: state.secret };
  const groups = kept.isGrouped ? (state.groups ?? []) : [];
  const key = JSON.stringify([kept.isDrawn ? seed : '', ...groups]);
  const known = kept.own.get(key);
  if (known) return known as L;
  const own = drawn(kept.isGrouped ? lessonForGroups(lesson, groups) : lesson, kept.isDrawn ? seed : null);
  if (kept.own.size >= maxKept) kept.own.delete(kept.own.keys().next().value as string);
  kept.own.set(key, own);
  return own;
}

/** What a student's attempt is walked against. */
export function ownContext(context: WalkContext, state: AttemptState): WalkContext {
  const lesson = ownLesson(context.lesson, state);
  return lesson === context.lesson ? context : { ...context, lesson };
}

function lookUp(lesson: Drawn): Kept {
  const known = keptOf.get(lesson);
  if (known) return known;
  const isDrawn = lesson.parts.some(({ stops }) =>
    stops.some((stop) => stop.pick !== undefined || stop.shuffle === true),
  );
  const found = { isGrouped: isGrouped(lesson), isDrawn, own: new Map() };
  keptOf.set(lesson, found);
  return found;
}

function drawn<L extends Drawn>(lesson: L, seed: DrawSeed | null): L {
  if (seed === null) return lesson;
  return {
    ...lesson,
    parts: lesson.parts.map((part) => ({ ...part, stops: part.stops.map((stop) => ownStop(stop, seed)) })),
  };
}

function ownStop<S extends DrawnStop>(stop: S, seed: DrawSeed): S {
  const { questions, pick, shuffle, ...rest } = stop;
  if (!questions || (pick === undefined && !shuffle)) return stop;
  const mixed =
    'secret' in seed
      ? shuffledBy(seed.secret, stop.id, questions)
      : shuffledByWords(questions, `${seed.begunAt} ${stop.id}`);
  const drawn = mixed.slice(0, pick);
  // Without an order of their own, students meet what they are given in the order of the desk.
  const given = shuffle ? drawn : questions.filter((question) => drawn.includes(question));
  return { ...rest, questions: given } as unknown as S;
}
