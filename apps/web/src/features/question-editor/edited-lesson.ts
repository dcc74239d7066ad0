import type { Lesson } from '@semita/core/lesson';
import type { Question } from '@semita/core/question';
import { createContext, useContext } from 'react';

const EditedLesson = createContext<Lesson | null>(null);
export const EditedLessonProvider = EditedLesson.Provider;

/** The lesson that is worked on; null where a question stands by itself. */
export const useEditedLesson = (): Lesson | null => useContext(EditedLesson);

/** Questions of the lesson that come before a stop: what a later one can be compared with. */
export function useEarlierQuestions(stopId: string): readonly Question[] {
  const stops = useEditedLesson()?.parts.flatMap((part) => part.stops.toSorted((a, b) => a.atMs - b.atMs)) ?? [];
  return stops
    .slice(
      0,
      Math.max(
        0,
        stops.findIndex(({ id }) => id === stopId),
      ),
    )
    .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []));
}
