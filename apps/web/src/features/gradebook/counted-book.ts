import {
  type GradebookCell,
  type GradebookColumn,
  type GradebookInput,
  type GradebookRules,
  type GradebookStudent,
  inTerm,
  rulesFor,
  type Term,
  type Total,
  totalOf,
  type UsedCell,
} from '@semita/core/gradebook';

export interface CountedStudent extends GradebookStudent {
  readonly total: Total;
  /** How each cell goes into it, in the order of the columns. */
  readonly uses: readonly (UsedCell | undefined)[];
}

/** A gradebook as it is shown: what stands under one category beside each other, and what each student's comes to. */
export interface CountedBook {
  readonly rules: GradebookRules;
  readonly columns: readonly GradebookColumn[];
  readonly students: readonly CountedStudent[];
}

/** @param term of which alone is shown and counted; all of it where absent */
export function countBook({ columns, students }: GradebookInput, rules: GradebookRules, term?: Term): CountedBook {
  const whole = rulesFor(
    rules,
    columns.map(({ category }) => category),
  );
  const placeOf = new Map(whole.categories.map(({ name }, place) => [name, place]));
  const inOrder = columns
    .map((_, index) => index)
    .toSorted(
      (a, b) =>
        (placeOf.get(columns[a]?.category ?? '') ?? 0) - (placeOf.get(columns[b]?.category ?? '') ?? 0) || a - b,
    );
  const ordered = inOrder.map((index) => columns[index] as GradebookColumn);
  const shownOf = (cells: readonly (GradebookCell | null)[]) => {
    const own = inOrder.map((index) => cells[index] ?? null);
    return term ? inTerm(own, ordered, term) : { cells: own, columns: ordered };
  };
  return {
    rules: whole,
    columns: shownOf([]).columns,
    students: students.map((student) => {
      const shown = shownOf(student.cells);
      const total = totalOf(shown.cells, shown.columns, rules);
      const uses: (UsedCell | undefined)[] = new Array(shown.cells.length).fill(undefined);
      for (const { cells } of total.categories) for (const used of cells) uses[used.index] = used;
      return { ...student, cells: shown.cells, total, uses };
    }),
  };
}
