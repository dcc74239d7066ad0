import { worthOf } from '@semita/core/assignment';
import type { Sheet } from '@semita/core/contract';
import { isLate, type Need, needOfStudent, type SheetRow, type StopMark, sheetStops } from '@semita/core/sheet';
import type { WalkLesson } from '@semita/core/walk';
import { atInstant, type Table, type TableCell } from '../../tables/table.ts';

/** The sheet as a table: one row a student, in words as on the sheet. */
export function sheetTable(sheet: Sheet, lesson: WalkLesson): Table {
  const { timeZone } = sheet.assignment;
  const { worth } = sheet.terms;
  const stops = sheetStops(lesson);
  const headings = [
    'Student',
    'Needs',
    'Progress %',
    'Met %',
    'Minutes',
    `Last seen (${timeZone})`,
    `Handed in (${timeZone})`,
    'Late',
    'To look at',
    'Points',
    'Of',
    'Less for late %',
    ...(worth === undefined ? [] : ['Counts', 'Counts of']),
    ...stops.map((_, index) => `Stop ${index + 1}: ${sheet.stops[index]?.label ?? ''}`),
  ];
  const rows = sheet.students.map((student): TableCell[] => {
    const { displayName, row, dueAt } = student;
    const earned = student.result?.earned ?? row?.earned ?? 0;
    return [
      displayName,
      needWords[needOfStudent(student, sheet)],
      row ? Math.round(row.progress * 100) : 0,
      row ? Math.round(row.metShare * 100) : 0,
      minutesOf(row?.timeSpentMs ?? 0),
      atInstant(row?.lastSeenAt),
      atInstant(row?.handedInAt),
      isLate(row, dueAt) ? 'yes' : '',
      row ? toLookAt(row) : '',
      row ? earned / 100 : '',
      row ? row.possible / 100 : '',
      student.result?.latePercent || '',
      ...(worth === undefined
        ? []
        : [row ? worthOf({ earned, possible: row.possible }, worth) / 100 : '', worth / 100]),
      ...stops.map((_, index) => cellOf(row?.marks[index])),
    ];
  });
  return { name: 'Sheet', timeZone, headings, rows };
}

/** What the program does not vouch for. */
function toLookAt({ cutMs, hiddenMs, lateAnswers, waitingSteps }: SheetRow): string {
  const seconds = (ms: number) => Math.round(ms / 1_000);
  return [
    ...(waitingSteps > 0 ? [`${waitingSteps} steps came in after closing and do not count yet`] : []),
    ...(lateAnswers > 0 ? [`${lateAnswers} answers came in long after they were given`] : []),
    ...(cutMs >= 5_000 ? [`${seconds(cutMs)} s reported faster than the clock allows`] : []),
    ...(hiddenMs >= 5_000 ? [`of it ${seconds(hiddenMs)} s while the tab was hidden`] : []),
  ].join('; ');
}

function cellOf(mark: StopMark | undefined): string {
  if (!mark) return stateWords.ahead;
  const isMarked = mark.state === 'full' || mark.state === 'partial' || mark.state === 'none';
  return isMarked ? `${mark.earned / 100} of ${mark.possible / 100}` : stateWords[mark.state];
}

/** As the sheet says it: what is less than a minute is not nothing. */
const minutesOf = (ms: number): number => Math.max(ms > 0 ? 1 : 0, Math.round(ms / 60_000));

/** In words, as on the sheet: a spreadsheet is read by people. */
const needWords: Readonly<Record<Need, string>> = {
  stuck: 'Stuck',
  overdue: 'Overdue',
  notBegun: 'Not begun',
  toMark: 'To mark',
  underWay: 'Under way',
  done: 'Done',
  excused: 'Excused',
  left: 'Left the class',
};

const stateWords: Readonly<Record<StopMark['state'], string>> = {
  ahead: 'Ahead',
  open: 'Open',
  waiting: 'Handed in, not marked yet',
  full: 'All points',
  partial: 'Some points',
  none: 'No points',
  noted: 'Noted',
  passed: 'Skipped',
};
