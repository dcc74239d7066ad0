import type { Lesson, Question } from '@semita/core';
import { createContext, useContext } from 'react';

const EditedLesson = createContext<Lesson | null>(null);
export const EditedLessonProvider = EditedLesson.Provider;

/** Questions of the lesson that come before a stop: what a later one can be compared with. */
export function useEarlierQuestions(stopId: string): readonly Question[] {
  const stops = useContext(EditedLesson)?.parts.flatMap((part) => part.stops.toSorted((a, b) => a.atMs - b.atMs)) ?? [];
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
