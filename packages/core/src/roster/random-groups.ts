/** How many groups, or how large they are to be: at least that many in each, as far as it comes out even. */
export type GroupSizes = { readonly count: number } | { readonly size: number };

/**
 * Puts people into groups at random; no two groups differ by more than one.
 * @param ids whom, in any order
 * @param sizes whole numbers from 1; of a size, as many groups as come near it
 * @param random a whole number from 0 to below what is asked, each as likely
 * @returns as many groups as there are people for
 */
export function randomGroups<Id>(
  ids: readonly Id[],
  sizes: GroupSizes,
  random: (below: number) => number,
): (readonly Id[])[] {
  const wanted = 'count' in sizes ? sizes.count : Math.round(ids.length / Math.max(1, sizes.size));
  const count = Math.min(ids.length, Math.max(1, wanted));
  const shuffled = [...ids];
  // Fisher and Yates, as Durstenfeld wrote it (CACM 7, 1964, algorithm 235).
  for (let last = shuffled.length - 1; last > 0; last -= 1) {
    const other = random(last + 1);
    [shuffled[last], shuffled[other]] = [shuffled[other] as Id, shuffled[last] as Id];
  }
  return Array.from({ length: count }, (_, group) => shuffled.filter((_id, index) => index % count === group));
}
