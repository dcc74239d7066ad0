import type { Lesson } from '../lesson/lesson.ts';
import { bridgeLesson, pickOne } from './bridge-lesson.ts';

const minute = 60_000;
export const longLessonStops = 12;

/** A clip of twelve minutes with a question at the end of each: `s-0` asks `q-0`, and so on. */
export const longLesson: Lesson = {
  ...bridgeLesson,
  parts: bridgeLesson.parts.slice(0, 1).map((part) => ({
    ...part,
    inMs: 0,
    outMs: longLessonStops * minute,
    stops: Array.from({ length: longLessonStops }, (_, i) => ({
      id: `s-${i}`,
      kind: 'checkpoint' as const,
      atMs: (i + 1) * minute,
      required: true,
      questions: [{ ...pickOne, id: `q-${i}` }],
    })),
  })),
};
