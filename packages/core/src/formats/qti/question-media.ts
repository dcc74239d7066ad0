import type { Question } from '../../question/question.ts';

interface Shown {
  readonly materialId: string;
}

/** The question with every material it shows put under another name; what gets none is left out. */
export function withMedia(question: Question, nameOf: (materialId: string) => string | null): Question {
  const named = <M extends Shown>(one: M | undefined): M | undefined => {
    const materialId = one && nameOf(one.materialId);
    return one && materialId ? { ...one, materialId } : undefined;
  };
  const media = {
    picture: named(question.picture),
    sound: named(question.sound),
    directions: named(question.directions),
  };
  const next = without({ ...question, ...media }, Object.keys(media)) as Question;
  if (next.kind !== 'choice') return next;
  const options = next.options.map((option) => without({ ...option, picture: named(option.picture) }, ['picture']));
  return { ...next, options: options as typeof next.options };
}

/** Less those keys that say nothing. */
function without<T extends object>(value: T, keys: readonly string[]): T {
  const entries = Object.entries(value).filter(([key, one]) => one !== undefined || !keys.includes(key));
  return Object.fromEntries(entries) as T;
}
