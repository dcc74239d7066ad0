import type { LessonChange } from '@semita/core/lesson';

/** Fields whose words a teacher wrote. */
const written: ReadonlySet<string> = new Set([
  'title',
  'stem',
  'text',
  'note',
  'prompt',
  'words',
  'value',
  'teacherNote',
  'modelAnswer',
  'feedback',
  'correct',
  'partly',
  'wrong',
]);

const maxWords = 2_000;

/** What somebody wrote in a change, to be read and copied; empty where nothing was written. */
export function wordsOfChange(change: LessonChange): string {
  const found: string[] = [];
  const collect = (value: unknown, isWritten: boolean) => {
    if (typeof value === 'string') {
      if (isWritten && value.trim() !== '') found.push(value.trim());
    } else if (Array.isArray(value)) for (const one of value) collect(one, isWritten);
    else if (typeof value === 'object' && value !== null)
      for (const [key, one] of Object.entries(value)) collect(one, written.has(key));
  };
  collect(change, false);
  return found.join('\n').slice(0, maxWords);
}
