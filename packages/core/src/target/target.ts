/** Something that students learn, with a short code. */
export interface LearningTarget {
  readonly id: string;
  readonly code: string;
  readonly words: string;
  /** The code of what it belongs under; null at the top. */
  readonly parentCode: string | null;
}

export const longestCode = 40;
export const longestWords = 500;

/** Codes that are written a little differently are the same: `f.2`, `F.2 ` and `Ｆ.2`. */
export const targetKey = (text: string): string => text.normalize('NFKC').trim().replace(/\s+/g, ' ').toLowerCase();

/** What a question names as its targets, each as the list has it, or in the words that were written. */
export interface NamedTarget {
  readonly key: string;
  /** Empty where it is in no list. */
  readonly code: string;
  readonly words: string;
}

/**
 * Which targets a question's line means: a code or the words of one that is known; several codes between commas or
 * semicolons; else the whole line is a target of its own, in the teacher's words.
 */
export function targetsNamed(
  line: string | undefined,
  known: ReadonlyMap<string, NamedTarget>,
): readonly NamedTarget[] {
  const text = line?.trim() ?? '';
  if (text === '') return [];
  const whole = known.get(targetKey(text));
  if (whole) return [whole];
  const pieces = text.split(/[,;]/).flatMap((piece) => known.get(targetKey(piece)) ?? [null]);
  const found = pieces.filter((one) => one !== null);
  if (found.length === pieces.length) return [...new Map(found.map((one) => [one.key, one])).values()];
  return [{ key: targetKey(text), code: '', words: text }];
}

/** Targets by what may be written for them: their codes, and their words. */
export function knownTargets(
  targets: readonly Pick<LearningTarget, 'code' | 'words'>[],
): ReadonlyMap<string, NamedTarget> {
  const known = new Map<string, NamedTarget>();
  const named = targets.map(({ code, words }) => ({ key: targetKey(code), code, words }));
  for (const one of named) known.set(targetKey(one.words), one);
  // A code that is also another's words is the code.
  for (const one of named) known.set(one.key, one);
  return known;
}
