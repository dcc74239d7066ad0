import type { Gradebook } from '@semita/core/contract';
import {
  type GradebookCell,
  type GradebookRules,
  rulesFor,
  totalOf,
  totalsOfTerms,
  wholeOf,
} from '@semita/core/gradebook';
import type { Table, TableCell } from '../../tables/table.ts';

/** The gradebook as a table: totals first, then each category and each thing that was given. */
export function gradebookTable({ rules, columns, students, terms, timeZone }: Gradebook): Table {
  const inUse = rulesFor(
    rules,
    columns.map(({ category }) => category),
  ).categories.filter(({ name }) => columns.some(({ category }) => category === name));
  const isNamed = rules.scale.kind !== 'percent';
  const headings = [
    'Student',
    'In the class',
    'Total %',
    ...(isNamed ? ['Total'] : []),
    ...terms.flatMap(({ title }) => [`${title} %`, ...(isNamed ? [title] : [])]),
    ...inUse.map(({ name }) => `${name || 'Other'} %`),
    ...columns.flatMap(({ title }) => [title, `${title}: of`, `${title}: note`]),
  ];
  const rows = students.map(({ displayName, hasLeft, cells }): TableCell[] => {
    const total = totalOf(cells, columns, rules);
    const named = ({ percent, name }: { percent: number | null; name: string | null }): TableCell[] => [
      percent ?? '',
      ...(isNamed ? [name ?? ''] : []),
    ];
    const byName = new Map(total.categories.map((one) => [one.name, one]));
    return [
      displayName,
      hasLeft ? 'left' : 'yes',
      ...named(total),
      ...totalsOfTerms(cells, columns, rules, terms).flatMap(named),
      ...inUse.map(({ name }): TableCell => {
        const own = byName.get(name);
        return own && own.possible > 0 ? Math.round((own.earned / own.possible) * 10_000) / 100 : '';
      }),
      ...cells.flatMap((cell) => cellsOf(cell, rules)),
    ];
  });
  return { name: 'Gradebook', timeZone, headings, rows };
}

function cellsOf(cell: GradebookCell | null, { missing }: GradebookRules): TableCell[] {
  if (!cell) return ['', '', ''];
  const { override, state } = cell;
  const isShown = override !== undefined || state !== 'notBegun' || (cell.isMissing === true && missing === 'zero');
  const note = [
    ...(cell.isExcused ? ['excused'] : []),
    ...(cell.isMissing ? ['missing'] : []),
    ...(state === 'underWay' ? ['under way'] : []),
    ...(cell.isLate ? ['late'] : []),
    ...(cell.latePercent ? [`${cell.latePercent} % less`] : []),
    ...(cell.waiting ? [`${cell.waiting} to mark`] : []),
    ...(override ? [`given by hand by ${override.by}: ${override.reason}`] : []),
  ].join('; ');
  return [
    isShown ? (override?.earned ?? cell.earned) / 100 : '',
    (override ? wholeOf(cell) : cell.possible) / 100,
    note,
  ];
}
