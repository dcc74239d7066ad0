import type { Lesson, LessonPart } from '@semita/core/lesson';
import { expandLessons } from '@semita/core/path';
import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import { editionOptions } from './queries.ts';

/**
 * A draft with the lessons that it shows in their places.
 * @returns null until they are here; a lesson that is not to be had is left as it is
 */
export function useWholeLesson(lesson: Lesson): Lesson | null {
  const links = lesson.parts.filter((part): part is LessonPart => part.kind === 'lesson');
  const editions = useQueries({
    queries: links.map(({ lessonId, editionNumber }) => editionOptions(lessonId, editionNumber)),
    combine: (results) => ({
      isPending: results.some((result) => result.isPending),
      data: results.map((result) => result.data ?? null),
    }),
  });
  const { isPending, data } = editions;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the links are the lesson's own
  return useMemo(() => {
    if (isPending) return null;
    return expandLessons(lesson, (lessonId, editionNumber) => {
      const index = links.findIndex((link) => link.lessonId === lessonId && link.editionNumber === editionNumber);
      return data[index] ?? null;
    });
  }, [lesson, isPending, data]);
}
