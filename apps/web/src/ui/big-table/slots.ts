/** What stands above the columns: a title over those of its own that are drawn beside each other, or a gap over a gap. */
export interface TitleSpan {
  /** Null above a gap. */
  readonly title: string | null;
  readonly count: number;
}

/** @param titles of all columns, in their order */
export function spansOf(slots: readonly Slot[], titles: readonly string[]): readonly TitleSpan[] {
  const spans: TitleSpan[] = [];
  for (const slot of slots) {
    const title = slot.kind === 'column' ? (titles[slot.column] ?? '') : null;
    const last = spans.at(-1);
    if (title !== null && last?.title === title) spans[spans.length - 1] = { title, count: last.count + 1 };
    else spans.push({ title, count: 1 });
  }
  return spans;
}

/** What stands in the middle of a row: a column by its place, or the room of those that are not drawn. */
export type Slot =
  | { readonly kind: 'column'; readonly column: number }
  | { readonly kind: 'gap'; readonly columns: number };

/** The columns that are drawn, in their order, with the room of the others before, between and behind them. */
export function slotsOf(drawn: readonly number[], count: number): readonly Slot[] {
  const slots: Slot[] = [];
  let next = 0;
  for (const column of drawn) {
    if (column > next) slots.push({ kind: 'gap', columns: column - next });
    slots.push({ kind: 'column', column });
    next = column + 1;
  }
  if (next < count) slots.push({ kind: 'gap', columns: count - next });
  return slots;
}

export const slotKey = (slot: Slot, index: number): string =>
  slot.kind === 'column' ? `column ${slot.column}` : `gap ${index}`;
