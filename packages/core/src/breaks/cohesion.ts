import { wordsOf } from '../text/words.ts';

/** Lines compared on either side of a gap. Hearst 1997 compares blocks of about ten sentences of expository text. */
const blockLines = 6;

/** Words that say nothing about a topic: the commonest of English, from memory, no source. */
const stopWords = new Set(
  'a an and are as at be been but by can do for from had has have he her his how i if in into is it its not of on one or our she so than that the their them then there these they this to up was we were what when which who will with would you your'.split(
    ' ',
  ),
);

/**
 * How far the vocabulary shifts at each gap between lines: TextTiling's depth scores (Hearst 1997, Computational
 * Linguistics 23(1), 33–64), with the cosine of the words of the lines before and after.
 * @param texts of the lines in order
 * @returns for the gap behind each line but the last, 0 to 1; 0 everywhere for texts that are all alike
 */
export function topicShifts(texts: readonly string[]): readonly number[] {
  const bags = texts.map(bagOf);
  const cohesion = texts
    .slice(1)
    .map((_, index) =>
      cosine(sum(bags, index + 1 - blockLines, index + 1), sum(bags, index + 1, index + 1 + blockLines)),
    );
  const depths = cohesion.map((value, index) => climb(cohesion, index, -1) + climb(cohesion, index, 1) - 2 * value);
  const deepest = Math.max(0, ...depths);
  return depths.map((depth) => (deepest > 0 ? depth / deepest : 0));
}

/** The height that the curve climbs to from a place in one direction, before it falls again. */
function climb(values: readonly number[], from: number, step: 1 | -1): number {
  let height = values[from] as number;
  for (let at = from + step; at >= 0 && at < values.length && (values[at] as number) >= height; at += step)
    height = values[at] as number;
  return height;
}

function bagOf(text: string): Map<string, number> {
  const bag = new Map<string, number>();
  for (const word of wordsOf(text.toLowerCase())) {
    if (stopWords.has(word) || word.length < 3) continue;
    const stem = word.replace(/(?:ies|es|s|ing|ed)$/, '');
    bag.set(stem, (bag.get(stem) ?? 0) + 1);
  }
  return bag;
}

function sum(bags: readonly Map<string, number>[], from: number, to: number): Map<string, number> {
  const total = new Map<string, number>();
  for (const bag of bags.slice(Math.max(0, from), to))
    for (const [word, count] of bag) total.set(word, (total.get(word) ?? 0) + count);
  return total;
}

function cosine(a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>): number {
  let dot = 0;
  for (const [word, count] of a) dot += count * (b.get(word) ?? 0);
  const length = (bag: ReadonlyMap<string, number>) =>
    Math.sqrt([...bag.values()].reduce((all, count) => all + count ** 2, 0));
  const lengths = length(a) * length(b);
  return lengths > 0 ? dot / lengths : 0;
}
