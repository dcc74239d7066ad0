import type { BlockAnchor } from '../elements/block-anchor.ts';
import type { Recording } from '../elements/recording.ts';
import {
  hasMaterial,
  type Inset,
  type Lesson,
  type MapPosition,
  type Narration,
  type Part,
  type Rule,
  type Stop,
  type Target,
} from './lesson.ts';
import { editStop, isStopEdit, type StopEdit } from './stop-edit.ts';

/**
 * One step of editing. Changes travel as JSON from the desk to the server, which applies the same function;
 * `apply` hands back the inverse, so that undo is only another change.
 */
export type LessonChange =
  | { readonly type: 'setTitle'; readonly title: string }
  | ({ readonly type: 'insertPart'; readonly part: Part; readonly index: number } & Freed)
  | ({ readonly type: 'removePart'; readonly partId: string } & Freed)
  | ({ readonly type: 'movePart'; readonly partId: string; readonly index: number } & Freed)
  | { readonly type: 'setPartTitle'; readonly partId: string; readonly title: string }
  | { readonly type: 'setWindow'; readonly partId: string; readonly inMs: number; readonly outMs: number }
  /** Behind all others where no place among them is said: their order counts only where they stand at the same place. */
  | { readonly type: 'insertStop'; readonly partId: string; readonly stop: Stop; readonly index?: number | undefined }
  | { readonly type: 'removeStop'; readonly partId: string; readonly stopId: string }
  | {
      readonly type: 'moveStop';
      readonly partId: string;
      readonly stopId: string;
      readonly atMs: number;
      /** In a text or slides; a clip's stop has none. */
      readonly anchor?: BlockAnchor | undefined;
    }
  /** Puts parts in the place of parts that stand next to each other: a split, or another version of a material. */
  | ({ readonly type: 'replaceParts'; readonly partIds: readonly string[]; readonly parts: readonly Part[] } & Freed)
  | { readonly type: 'replaceStop'; readonly partId: string; readonly stop: Stop }
  | StopEdit
  /** Of a part, or of the whole lesson. */
  | { readonly type: 'setDirections'; readonly partId: string | null; readonly directions: Recording | null }
  | { readonly type: 'setNarrations'; readonly partId: string; readonly narrations: readonly Narration[] }
  | { readonly type: 'setInsets'; readonly partId: string; readonly insets: readonly Inset[] }
  | { readonly type: 'setNextLesson'; readonly partId: string; readonly lessonId: string | null }
  | { readonly type: 'setPractice'; readonly partId: string; readonly practice: boolean }
  | { readonly type: 'setEdition'; readonly partId: string; readonly editionNumber: number | null }
  | { readonly type: 'setOnlyFor'; readonly partId: string; readonly onlyFor: readonly string[] | null }
  | { readonly type: 'setWay'; readonly partId: string; readonly next: Target | null; readonly rules: readonly Rule[] }
  | { readonly type: 'setMapPlace'; readonly partId: string; readonly mapAt: MapPosition | null }
  | { readonly type: 'setFreeFrom'; readonly freeFrom: number | null }
  /** The order of stops that stand at the same place, as those of a task do: the ids of all stops of the part. */
  | { readonly type: 'orderStops'; readonly partId: string; readonly stopIds: readonly string[] };

/** From where on parts may be taken in any order afterwards, where that is not where it follows from the change itself. */
interface Freed {
  readonly freeFrom?: number | null | undefined;
}

export type ChangeRefusal =
  | 'partMissing'
  | 'stopMissing'
  | 'questionMissing'
  | 'idTaken'
  | 'negativeTime'
  | 'emptyWindow'
  | 'wrongKind';

export type ChangeResult =
  | { readonly ok: true; readonly lesson: Lesson; readonly inverse: LessonChange }
  | { readonly ok: false; readonly reason: ChangeRefusal };

const refuse = (reason: ChangeRefusal): ChangeResult => ({ ok: false, reason });

/**
 * Applies one change to a lesson.
 * @param lesson the lesson before; never altered
 * @param change any change; times in whole milliseconds of the film
 * @returns the lesson after and the change that takes it back, or why it cannot be done
 */
export function applyChange(lesson: Lesson, change: LessonChange): ChangeResult {
  switch (change.type) {
    case 'setTitle':
      return {
        ok: true,
        lesson: { ...lesson, title: change.title },
        inverse: { type: 'setTitle', title: lesson.title },
      };
    case 'setDirections':
      if (change.partId !== null) return applyToPart(lesson, { ...change, partId: change.partId });
      return {
        ok: true,
        lesson: { ...lesson, directions: change.directions ?? undefined },
        inverse: { ...change, directions: lesson.directions ?? null },
      };
    case 'setFreeFrom':
      return {
        ok: true,
        lesson: { ...lesson, freeFrom: change.freeFrom ?? undefined },
        inverse: { ...change, freeFrom: lesson.freeFrom ?? null },
      };
    case 'insertPart':
      if (lesson.parts.some((part) => part.id === change.part.id)) return refuse('idTaken');
      if (change.part.inMs >= change.part.outMs) return refuse('emptyWindow');
      return {
        ok: true,
        lesson: withParts(lesson, lesson.parts.toSpliced(change.index, 0, change.part), change),
        inverse: { type: 'removePart', partId: change.part.id, ...freedAs(lesson) },
      };
    case 'replaceParts':
      return replaceParts(lesson, change);
    default:
      return applyToPart(lesson, change);
  }
}

function replaceParts(lesson: Lesson, change: Extract<LessonChange, { type: 'replaceParts' }>): ChangeResult {
  const { partIds, parts } = change;
  const index = lesson.parts.findIndex((part) => part.id === partIds[0]);
  const replaced = lesson.parts.slice(index, index + partIds.length);
  if (index < 0 || replaced.map((part) => part.id).join() !== partIds.join()) return refuse('partMissing');
  if (parts.some((part) => part.inMs >= part.outMs)) return refuse('emptyWindow');
  const next = lesson.parts.toSpliced(index, partIds.length, ...parts);
  if (parts.length === 0 || new Set(next.map((part) => part.id)).size < next.length) return refuse('idTaken');
  return {
    ok: true,
    lesson: withParts(lesson, next, change, { takenFor: new Map(parts.map(({ id }) => [id, partIds.at(-1) ?? id])) }),
    inverse: { type: 'replaceParts', partIds: parts.map((part) => part.id), parts: replaced, ...freedAs(lesson) },
  };
}

/**
 * A lesson with other parts: those before the place from where on any order will do stay before it, wherever parts were
 * put in, taken out or moved. What is new, or was moved, is as free as where it stands now.
 * @param takenFor of new parts, the one in whose place they stand
 */
function withParts(
  lesson: Lesson,
  parts: readonly Part[],
  { freeFrom: said }: Freed,
  { movedId, takenFor }: { readonly movedId?: string; readonly takenFor?: ReadonlyMap<string, string> } = {},
): Lesson {
  if (said !== undefined) return { ...lesson, parts, freeFrom: said ?? undefined };
  const { freeFrom } = lesson;
  if (freeFrom === undefined) return { ...lesson, parts };
  const fixed = new Set(lesson.parts.slice(0, freeFrom).map(({ id }) => id));
  const isFixed = ({ id }: Part) => id !== movedId && fixed.has(takenFor?.get(id) ?? id);
  return { ...lesson, parts, freeFrom: parts.findLastIndex(isFixed) + 1 };
}

/** What undoing a change of parts says, so that the order is exactly what it was. */
const freedAs = ({ freeFrom }: Lesson): Freed => (freeFrom === undefined ? {} : { freeFrom });

type PartChange = Exclude<LessonChange, { type: 'setTitle' | 'insertPart' | 'replaceParts' | 'setFreeFrom' }> & {
  readonly partId: string;
};

function applyToPart(lesson: Lesson, change: PartChange): ChangeResult {
  const index = lesson.parts.findIndex((part) => part.id === change.partId);
  const part = lesson.parts[index];
  if (!part) return refuse('partMissing');
  const withPart = (next: Part, inverse: LessonChange): ChangeResult => ({
    ok: true,
    lesson: { ...lesson, parts: lesson.parts.with(index, next) },
    inverse,
  });
  switch (change.type) {
    case 'removePart':
      return {
        ok: true,
        lesson: withParts(lesson, lesson.parts.toSpliced(index, 1), change),
        inverse: { type: 'insertPart', part, index, ...freedAs(lesson) },
      };
    case 'movePart':
      return {
        ok: true,
        lesson: withParts(lesson, lesson.parts.toSpliced(index, 1).toSpliced(change.index, 0, part), change, {
          movedId: part.id,
        }),
        inverse: { type: 'movePart', partId: part.id, index, ...freedAs(lesson) },
      };
    case 'setPartTitle':
      return withPart({ ...part, title: change.title }, { ...change, title: part.title });
    case 'setWindow':
      if (change.inMs < 0) return refuse('negativeTime');
      if (change.inMs >= change.outMs) return refuse('emptyWindow');
      return withPart(
        { ...part, inMs: change.inMs, outMs: change.outMs },
        { ...change, inMs: part.inMs, outMs: part.outMs },
      );
    case 'setDirections':
      return withPart(
        { ...part, directions: change.directions ?? undefined },
        { ...change, directions: part.directions ?? null },
      );
    case 'setPractice':
      return withPart(
        { ...part, practice: change.practice || undefined },
        { ...change, practice: part.practice ?? false },
      );
    case 'setEdition':
      return part.kind === 'lesson'
        ? withPart({ ...part, editionNumber: change.editionNumber }, { ...change, editionNumber: part.editionNumber })
        : refuse('wrongKind');
    case 'setOnlyFor':
      return withPart({ ...part, onlyFor: change.onlyFor ?? undefined }, { ...change, onlyFor: part.onlyFor ?? null });
    case 'setWay':
      return withPart(
        { ...part, next: change.next ?? undefined, rules: someOf(change.rules) },
        { ...change, next: part.next ?? null, rules: part.rules ?? [] },
      );
    case 'setMapPlace':
      return withPart({ ...part, mapAt: change.mapAt ?? undefined }, { ...change, mapAt: part.mapAt ?? null });
    case 'orderStops': {
      const stops = change.stopIds.flatMap((id) => part.stops.find((stop) => stop.id === id) ?? []);
      if (stops.length !== part.stops.length || new Set(change.stopIds).size !== stops.length)
        return refuse('stopMissing');
      return withPart({ ...part, stops }, { ...change, stopIds: part.stops.map((stop) => stop.id) });
    }
    case 'setNarrations':
      if (!hasMaterial(part)) return refuse('wrongKind');
      return withPart(
        { ...part, narrations: someOf(change.narrations) },
        { ...change, narrations: part.narrations ?? [] },
      );
    case 'setInsets':
      if (!hasMaterial(part)) return refuse('wrongKind');
      return withPart({ ...part, insets: someOf(change.insets) }, { ...change, insets: part.insets ?? [] });
    case 'setNextLesson':
      if (!hasMaterial(part)) return refuse('wrongKind');
      return withPart(
        { ...part, nextLessonId: change.lessonId ?? undefined },
        { ...change, lessonId: part.nextLessonId ?? null },
      );
    default:
      return applyToStop(part, change, withPart);
  }
}

/** A part without any says nothing about them. */
const someOf = <T>(list: readonly T[]): readonly T[] | undefined => (list.length > 0 ? list : undefined);

type StopChange = Extract<PartChange, { type: 'insertStop' | 'removeStop' | 'moveStop' | 'replaceStop' }> | StopEdit;

function applyToStop(
  part: Part,
  change: StopChange,
  withPart: (next: Part, inverse: LessonChange) => ChangeResult,
): ChangeResult {
  const stopId = 'stop' in change ? change.stop.id : change.stopId;
  const index = part.stops.findIndex((stop) => stop.id === stopId);
  const stop = part.stops[index];
  const atMs = 'stop' in change ? change.stop.atMs : 'atMs' in change ? change.atMs : 0;
  if (atMs < 0) return refuse('negativeTime');
  if (change.type === 'insertStop') {
    if (stop) return refuse('idTaken');
    return withPart(
      { ...part, stops: part.stops.toSpliced(change.index ?? part.stops.length, 0, change.stop) },
      { type: 'removeStop', partId: part.id, stopId: change.stop.id },
    );
  }
  if (!stop) return refuse('stopMissing');
  const withStop = (next: Stop, inverse: LessonChange) =>
    withPart({ ...part, stops: part.stops.with(index, next) }, inverse);
  switch (change.type) {
    case 'removeStop':
      return withPart(
        { ...part, stops: part.stops.toSpliced(index, 1) },
        { type: 'insertStop', partId: part.id, stop, index },
      );
    case 'moveStop':
      return withStop(withPlace(stop, change), { ...change, atMs: stop.atMs, anchor: stop.anchor });
    case 'replaceStop':
      return withStop(change.stop, { ...change, stop });
    default: {
      const edited = editStop(stop, change);
      return edited ? withStop(edited.stop, edited.inverse) : refuse('questionMissing');
    }
  }
}

function withPlace<S extends Stop>(
  stop: S,
  { atMs, anchor }: { readonly atMs: number; readonly anchor?: BlockAnchor | undefined },
): S {
  const { anchor: _, ...rest } = stop;
  return { ...rest, atMs, ...(anchor ? { anchor } : {}) } as S;
}

/** Applies changes in order; stops at the first that cannot be done and says which one it was. */
export function applyChanges(
  lesson: Lesson,
  changes: readonly LessonChange[],
): { ok: true; lesson: Lesson } | { ok: false; reason: ChangeRefusal; index: number } {
  let current = lesson;
  for (const [index, change] of changes.entries()) {
    const result = applyChange(current, change);
    if (!result.ok) return { ok: false, reason: result.reason, index };
    current = result.lesson;
  }
  return { ok: true, lesson: current };
}

/** What a change touches, as a key: two changes with the same key in a row are one burst of typing for undo. */
export function changeTarget(change: LessonChange): string {
  if (change.type === 'setTitle') return 'title';
  if (change.type === 'setFreeFrom') return 'order';
  if ('part' in change) return `${change.type}:${change.part.id}`;
  if ('partIds' in change) return `${change.type}:${change.partIds.join()}`;
  if ('stop' in change) return `${change.type}:${change.stop.id}`;
  // However fine the changes are that typing comes to, a burst in one stop is one step.
  if (isStopEdit(change)) return `replaceStop:${change.stopId}`;
  if ('stopId' in change) return `${change.type}:${change.stopId}`;
  return `${change.type}:${change.partId}`;
}
