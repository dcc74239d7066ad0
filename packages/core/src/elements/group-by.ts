/** Things in groups by what a function says of each, the groups and what is in them in the order of the list. */
export function groupBy<Thing, Key>(
  things: Iterable<Thing>,
  keyOf: (thing: Thing) => Key,
): ReadonlyMap<Key, readonly Thing[]> {
  const groups = new Map<Key, Thing[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    const group = groups.get(key);
    if (group) group.push(thing);
    else groups.set(key, [thing]);
  }
  return groups;
}
