import type { SchoolDays } from '../calendar/school-days.ts';
import type { GradebookCell, GradebookInput } from '../gradebook/gradebook.ts';
import type { GradebookRules } from '../gradebook/gradebook-rules.ts';
import { manifestOf, type RosterTable, table, termIdOn } from './write-one-roster.ts';

/** What of a class's gradebook goes into a package. Ids are what other systems call them, where they do. */
export interface ResultsOfClass extends GradebookInput {
  readonly schoolId: string;
  readonly schoolName: string;
  readonly classId: string;
  readonly rules: GradebookRules;
  readonly schoolDays: readonly SchoolDays[];
  /** `2026-12-01`. */
  readonly today: string;
}

/**
 * The results of a class as the files of a OneRoster 1.2 CSV package, bulk: categories, lineItems and results. Field names
 * and their order from memory of the published specification (1EdTech OneRoster 1.2, CSV binding, gradebook service).
 * Who has left is not in it.
 * @returns tables by the names of their files without `.csv`
 */
export function writeResults(all: ResultsOfClass): Readonly<Record<string, RosterTable>> {
  const { schoolId, classId, columns, rules, today } = all;
  const students = all.students.filter(({ hasLeft }) => !hasLeft);
  const names = [...new Set(columns.map(({ category }) => category))];
  const categoryId = (name: string) => `category-${classId}-${names.indexOf(name)}`;
  const weightOf = (name: string) => rules.categories.find((one) => one.name === name)?.weight ?? 0;
  const tables: Record<string, RosterTable> = {
    categories: table(
      ['sourcedId', 'status', 'dateLastModified', 'title', 'weight'],
      names.map((name) => ({
        ...{ sourcedId: categoryId(name), title: name || 'Other' },
        ...(rules.byWeight ? { weight: String(weightOf(name) / 100) } : {}),
      })),
    ),
    lineItems: table(
      [
        ...[
          'sourcedId',
          'status',
          'dateLastModified',
          'title',
          'description',
          'assignDate',
          'dueDate',
          'classSourcedId',
        ],
        ...['categorySourcedId', 'gradingPeriodSourcedId', 'resultValueMin', 'resultValueMax'],
        ...['schoolSourcedId'],
      ],
      columns.map(({ assignmentId, title, category, worth, day }) => ({
        ...{ sourcedId: assignmentId, title, assignDate: day, dueDate: day, classSourcedId: classId },
        ...{ categorySourcedId: categoryId(category), gradingPeriodSourcedId: termIdOn(all.schoolDays, day, today) },
        ...{ resultValueMin: '0', resultValueMax: String(worth / 100), schoolSourcedId: schoolId },
      })),
    ),
    results: table(
      [
        ...['sourcedId', 'status', 'dateLastModified', 'lineItemSourcedId', 'studentSourcedId', 'scoreStatus', 'score'],
        ...['scoreDate', 'comment', 'textScore', 'classSourcedId', 'inProgress', 'incomplete', 'late', 'missing'],
      ],
      students.flatMap(({ studentId, cells }) =>
        columns.flatMap(({ assignmentId }, index) => {
          const cell = cells[index];
          if (!cell) return [];
          const earned = cell.override?.earned ?? cell.earned;
          const hasScore = cell.override !== undefined || (cell.state === 'handedIn' && !cell.isExcused);
          return [
            {
              ...{ sourcedId: `${assignmentId}-${studentId}`, lineItemSourcedId: assignmentId },
              ...{ studentSourcedId: studentId, scoreStatus: scoreStatusOf(cell), scoreDate: today },
              ...{ score: hasScore ? String(earned / 100) : '', classSourcedId: classId },
              ...{ comment: cell.override?.reason ?? '', inProgress: String(cell.state === 'underWay') },
              ...{ incomplete: 'false', late: String(cell.isLate ?? false), missing: String(cell.isMissing ?? false) },
            },
          ];
        }),
      ),
    ),
  };
  return { manifest: manifestOf(Object.keys(tables), all.schoolName), ...tables };
}

/** From memory of the specification's list of values. */
function scoreStatusOf({ isExcused, override, state, waiting }: GradebookCell): string {
  if (isExcused) return 'exempt';
  if (override) return 'fully graded';
  if (state !== 'handedIn') return 'not submitted';
  return waiting ? 'partially graded' : 'fully graded';
}
