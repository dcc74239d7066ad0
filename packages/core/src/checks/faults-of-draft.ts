import type { Lesson } from '../lesson/lesson.ts';
import type { Fault } from './check-lesson.ts';

/**
 * Faults of a lesson that stands whole, as they are told of its draft: those inside another lesson, of the part that
 * shows it. Each once.
 */
export function faultsOfDraft(whole: Lesson, faults: readonly Fault[]): readonly Fault[] {
  const linkOf = new Map(whole.parts.flatMap(({ id, from }) => (from ? [[id, from.linkId] as const] : [])));
  const told = faults.map((fault): Fault => {
    const linkId = linkOf.get(fault.partId ?? '');
    return linkId === undefined ? fault : { code: fault.code, partId: linkId };
  });
  const keys = told.map((fault) => JSON.stringify(fault));
  return told.filter((_, index) => keys.indexOf(keys[index] as string) === index);
}
