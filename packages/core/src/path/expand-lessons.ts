import type { Lesson, LessonPart, Part, Target } from '../lesson/lesson.ts';
import { ruleOf, stopOf, withTargets } from '../lesson/with-targets.ts';
import { isAside, isFree, isStraight, partAfter } from './path-lesson.ts';

/** An edition that another lesson shows. */
export interface InnerEdition {
  readonly number: number;
  readonly lesson: Lesson;
}

/** @returns null where there is no such edition */
export type FindEdition = (lessonId: string, editionNumber: number | null) => InnerEdition | null;

/**
 * The lesson with the parts of other lessons in the place of the parts that show them, so that one walk, one record
 * and one edition hold it all. Where the inner lesson ends, it goes on as the part that shows it would.
 * @param find editions, which are whole themselves
 * @returns the lesson; parts whose lesson has no such edition stay as they are
 */
export function expandLessons(lesson: Lesson, find: FindEdition): Lesson {
  if (!lesson.parts.some(({ kind }) => kind === 'lesson')) return lesson;
  const inner = new Map(
    lesson.parts.flatMap((part) => {
      const edition = part.kind === 'lesson' ? find(part.lessonId, part.editionNumber) : null;
      return edition && partAfter(edition.lesson, null) ? [[part.id, edition] as const] : [];
    }),
  );
  /** Whoever is led to a part that shows a lesson comes to that lesson's first part. */
  const entryOf = (partId: string): string => {
    const edition = inner.get(partId);
    const first = edition && partAfter(edition.lesson, null);
    return first ? innerId(partId, first.id) : partId;
  };
  const toOuter = (to: Target): Target => (to.kind === 'part' ? { ...to, partId: entryOf(to.partId) } : to);
  const parts = lesson.parts.flatMap((part, index): readonly Part[] => {
    const edition = inner.get(part.id);
    if (part.kind !== 'lesson' || !edition) return [withTargets(part, toOuter)];
    const next = lesson.parts.slice(index + 1).find(({ id }) => !isAside(lesson, id));
    const beyond: Target = next ? { kind: 'part', partId: entryOf(next.id) } : { kind: 'end' };
    return innerParts(part, edition, part.next ? toOuter(part.next) : undefined, beyond);
  });
  const { freeFrom } = lesson;
  if (freeFrom === undefined) return { ...lesson, parts };
  const before = lesson.parts.slice(0, freeFrom).map(({ id }) => inner.get(id)?.lesson.parts.length ?? 1);
  return { ...lesson, parts, freeFrom: before.reduce((sum, count) => sum + count, 0) };
}

/** Ids of one lesson stay apart from those of another, and of the same lesson shown twice. */
const innerId = (linkId: string, id: string) => `${linkId.slice(-8)}.${id}`;

/**
 * @param next where the part that shows the lesson leads; undefined for onwards
 * @param beyond what comes behind it in the usual order
 */
function innerParts(
  link: LessonPart,
  { lesson, number }: InnerEdition,
  next: Target | undefined,
  beyond: Target,
): Part[] {
  const idOf = (id: string) => innerId(link.id, id);
  const toOuter = (to: Target): Target => {
    if (to.kind === 'end') return next ?? beyond;
    if (to.kind !== 'part') return to;
    return { ...to, partId: idOf(to.partId), ...(to.stopId === undefined ? {} : { stopId: idOf(to.stopId) }) };
  };
  const isAnyOrder = (index: number) => isStraight(lesson) && isFree(lesson, index);
  return lesson.parts.map((part, index): Part => {
    const aside = isAside(lesson, part.id);
    const after = aside ? undefined : partAfter(lesson, part.id);
    // Behind a tile, or from elsewhere, the usual order would not lead through it.
    const onward: Target | undefined = after ? next && { kind: 'part', partId: idOf(after.id) } : next;
    const usual = part.next && part.next.kind !== 'onward' ? toOuter(part.next) : aside ? undefined : onward;
    const rules = [
      ...(part.rules ?? []).map((rule) => ruleOf(rule, toOuter, idOf)),
      ...(after || aside ? [] : (link.rules ?? [])),
    ];
    const { mapAt: _, ...kept } = part;
    // What is said before that lesson, or where it is shown, is said on its first part.
    const isFirst = part === partAfter(lesson, null);
    const directions =
      (isFirst ? link.directions : undefined) ?? part.directions ?? (isFirst ? lesson.directions : undefined);
    return {
      ...kept,
      ...(directions ? { directions } : {}),
      id: idOf(part.id),
      stops: part.stops.map((stop) => stopOf(stop, toOuter, idOf)),
      ...(usual ? { next: usual } : {}),
      ...(rules.length > 0 ? { rules } : {}),
      ...(isAnyOrder(index) ? { anyOrder: part.anyOrder ? idOf(part.anyOrder) : link.id } : {}),
      ...(link.practice ? { practice: true } : {}),
      ...both(part.onlyFor, link.onlyFor),
      from: part.from ?? { lessonId: link.lessonId, editionNumber: number, linkId: link.id, isAside: aside },
    };
  });
}

/** What both limit is for those whom both allow. */
function both(a: readonly string[] | undefined, b: readonly string[] | undefined) {
  const onlyFor = a && b ? a.filter((group) => b.includes(group)) : (a ?? b);
  return onlyFor ? { onlyFor } : {};
}
