import { wordsOf } from '../text/words.ts';

/** What matching needs of a block. */
export interface MatchableBlock {
  readonly id: string;
  readonly text: string;
  readonly html: string;
}

/** Blocks that share at least this much of their words are one block, changed. Common practice, no source. */
const minLikeness = 0.5;

/**
 * Finds the blocks of an older version again in a newer one: first those that are the same to the letter, in order;
 * then, between two of those, those that are most alike.
 * @returns for every new block the id of the old block that it continues, or null for one that is new. No id twice
 */
export function matchBlocks(
  before: readonly MatchableBlock[],
  after: readonly Omit<MatchableBlock, 'id'>[],
): (string | null)[] {
  const result: (string | null)[] = after.map(() => null);
  let oldFrom = 0;
  let newFrom = 0;
  const pairs = [...sameInOrder(before, after), { oldIndex: before.length, newIndex: after.length }];
  for (const { oldIndex, newIndex } of pairs) {
    matchAlike(before.slice(oldFrom, oldIndex), after.slice(newFrom, newIndex), newFrom, result);
    if (newIndex < after.length) result[newIndex] = (before[oldIndex] as MatchableBlock).id;
    oldFrom = oldIndex + 1;
    newFrom = newIndex + 1;
  }
  matchMoved(before, after, result);
  return result;
}

interface Pair {
  readonly oldIndex: number;
  readonly newIndex: number;
}

/** The longest common run of blocks that are the same to the letter: of those that stand once in each, and their neighbours. */
function sameInOrder(before: readonly MatchableBlock[], after: readonly Omit<MatchableBlock, 'id'>[]): Pair[] {
  const oldPlaces = placesOnce(before);
  const newPlaces = placesOnce(after);
  const once = [...newPlaces].flatMap(([html, newIndex]) => {
    const oldIndex = oldPlaces.get(html);
    return oldIndex === undefined ? [] : [{ oldIndex, newIndex }];
  });
  const anchors = longestRising(once.sort((a, b) => a.newIndex - b.newIndex));
  return growRuns(before, after, anchors);
}

/** Blocks that stand only once, by their html. */
function placesOnce(blocks: readonly { readonly html: string }[]): Map<string, number> {
  const places = new Map<string, number>();
  const repeated = new Set<string>();
  for (const [index, { html }] of blocks.entries()) {
    if (places.has(html)) repeated.add(html);
    places.set(html, index);
  }
  for (const html of repeated) places.delete(html);
  return places;
}

/** The longest subsequence whose old indexes rise (patience sorting). */
function longestRising(pairs: readonly Pair[]): Pair[] {
  const tails: number[] = [];
  const previous: (number | undefined)[] = [];
  for (const [index, { oldIndex }] of pairs.entries()) {
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((pairs[tails[middle] as number] as Pair).oldIndex < oldIndex) low = middle + 1;
      else high = middle;
    }
    previous[index] = tails[low - 1];
    tails[low] = index;
  }
  const run: Pair[] = [];
  for (let at = tails.at(-1); at !== undefined; at = previous[at]) run.unshift(pairs[at] as Pair);
  return run;
}

/** Repeated blocks (empty lines, "Notes") are matched where they continue a run. */
function growRuns(
  before: readonly MatchableBlock[],
  after: readonly Omit<MatchableBlock, 'id'>[],
  anchors: readonly Pair[],
): Pair[] {
  const pairs: Pair[] = [];
  const end = { oldIndex: before.length, newIndex: after.length };
  let last = { oldIndex: -1, newIndex: -1 };
  for (const anchor of [...anchors, end]) {
    let next = { oldIndex: last.oldIndex + 1, newIndex: last.newIndex + 1 };
    while (
      next.oldIndex < anchor.oldIndex &&
      next.newIndex < anchor.newIndex &&
      before[next.oldIndex]?.html === after[next.newIndex]?.html
    ) {
      pairs.push(next);
      last = next;
      next = { oldIndex: next.oldIndex + 1, newIndex: next.newIndex + 1 };
    }
    const back: Pair[] = [];
    let { oldIndex, newIndex } = { oldIndex: anchor.oldIndex - 1, newIndex: anchor.newIndex - 1 };
    while (oldIndex > last.oldIndex && newIndex > last.newIndex && before[oldIndex]?.html === after[newIndex]?.html)
      back.unshift({ oldIndex: oldIndex--, newIndex: newIndex-- });
    pairs.push(...back);
    if (anchor !== end) pairs.push(anchor);
    last = anchor;
  }
  return pairs;
}

/** Most alike first; what is alike keeps no order, since a text may have been rearranged here. */
function matchAlike(
  before: readonly MatchableBlock[],
  after: readonly Omit<MatchableBlock, 'id'>[],
  newFrom: number,
  result: (string | null)[],
): void {
  if (before.length === 0 || after.length === 0 || before.length * after.length > 250_000) return;
  const oldWords = before.map((block) => new Set(wordsOf(block.text.toLowerCase())));
  const newWords = after.map((block) => new Set(wordsOf(block.text.toLowerCase())));
  const candidates = oldWords.flatMap((old, oldIndex) =>
    newWords.map((words, newIndex) => ({ oldIndex, newIndex, likeness: likenessOf(old, words) })),
  );
  const taken = new Set<number>();
  for (const { oldIndex, newIndex, likeness } of candidates.sort((a, b) => b.likeness - a.likeness)) {
    if (likeness < minLikeness) break;
    if (taken.has(oldIndex) || result[newFrom + newIndex] !== null) continue;
    taken.add(oldIndex);
    result[newFrom + newIndex] = (before[oldIndex] as MatchableBlock).id;
  }
}

/** Blocks that were carried elsewhere unchanged. */
function matchMoved(
  before: readonly MatchableBlock[],
  after: readonly Omit<MatchableBlock, 'id'>[],
  result: (string | null)[],
): void {
  const taken = new Set(result);
  const free = new Map<string, string[]>();
  for (const { id, html } of before) if (!taken.has(id)) free.set(html, [...(free.get(html) ?? []), id]);
  for (const [index, { html }] of after.entries())
    if (result[index] === null) result[index] = free.get(html)?.shift() ?? null;
}

/** Dice's coefficient of two sets of words, 0 to 1 (Dice 1945, Ecology 26, 297–302). Two empty sets are not alike. */
function likenessOf(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  if (a.size + b.size === 0) return 0;
  let shared = 0;
  for (const word of a) if (b.has(word)) shared++;
  return (2 * shared) / (a.size + b.size);
}
