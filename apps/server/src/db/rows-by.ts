/** Rows in groups by one of their columns, each group in the order of the rows. */
export function rowsBy<Row, Key>(rows: readonly Row[], keyOf: (row: Row) => Key): ReadonlyMap<Key, readonly Row[]> {
  const groups = new Map<Key, Row[]>();
  for (const row of rows) {
    const group = groups.get(keyOf(row));
    if (group) group.push(row);
    else groups.set(keyOf(row), [row]);
  }
  return groups;
}
