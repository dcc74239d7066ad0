import type { Stop } from '@semita/core/lesson';

/** The name, for the focus, of the field that is written in first at a stop. */
export function writingIn(stop: Stop): string {
  const question = stop.kind === 'checkpoint' ? stop.questions[0] : undefined;
  return question ? `question:${question.id}` : `words:${stop.id}`;
}
