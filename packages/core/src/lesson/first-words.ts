import { plainWords } from '../text/plain-words.ts';
import type { Stop } from './lesson.ts';

/** What a stop is known by: its note, or its first question. Empty where nothing is written yet. */
export function firstWords(stop: Stop): string {
  if (stop.kind === 'pause') return stop.note;
  return stop.kind === 'fork' || stop.kind === 'board' ? stop.prompt : plainWords(stop.questions[0]?.stem ?? '');
}
