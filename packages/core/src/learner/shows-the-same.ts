import type { Question } from '../question/question.ts';
import { asWritten, toLearnerQuestion } from './learner-question.ts';

/**
 * Whether two versions of a question show a student the same, so that only what is right differs between them: then
 * answers that were given to the one can be marked by the other.
 */
export function showsTheSame(before: Question, after: Question): boolean {
  return shownOf(before) === shownOf(after);
}

/** What a student is shown, whatever the order it is shown in. */
function shownOf(question: Question): string {
  return JSON.stringify(sortedById(toLearnerQuestion(question, asWritten)));
}

function sortedById(value: unknown): unknown {
  if (Array.isArray(value)) {
    const items = value.map(sortedById);
    const isNamed = items.every((item) => typeof item === 'object' && item !== null && 'id' in item);
    return isNamed ? items.toSorted((a, b) => idOf(a).localeCompare(idOf(b))) : items;
  }
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).filter(([, one]) => one !== undefined);
  return Object.fromEntries(
    entries.toSorted(([a], [b]) => a.localeCompare(b)).map(([key, one]) => [key, sortedById(one)]),
  );
}

const idOf = (item: unknown) => String((item as { readonly id: unknown }).id);
