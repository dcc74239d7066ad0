import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const sheetWords = {
  need: {
    stuck: 'Stuck',
    overdue: 'Overdue',
    notBegun: 'Not begun',
    toMark: 'To mark',
    underWay: 'Under way',
    done: 'Done',
    excused: 'Excused',
    left: 'Has left',
  },
  sheetKeys: {
    sheet: 'Sheet',
    cells: 'From cell to cell',
    far: 'By a page, to the first and the last stop',
    open: 'Open the student at this stop',
    next: 'Go to the next answer to mark',
    marking: 'Marking',
    points: 'Give points',
    save: 'Save, and go to the next',
    close: 'Close the student',
  },
  sheet: {
    ownDue: 'due {{time}}',
    ownNoDue: 'no due date',
    attempt: 'attempt {{number}} of {{count}}',
    student: 'Student',
    needs: 'Needs',
    progress: 'Progress',
    met: 'Met',
    time: 'Time',
    lastSeen: 'Last seen',
    points: 'Points',
    chooseStudent: 'Choose {{name}}',
    chooseAll: 'Choose all',
    chooseNone: 'Choose nobody',
    chosen: 'Chosen students',
    chosenReason: 'Chosen on the sheet of “{{title}}”.',
    excuse: 'Excuse',
    excused_one: '{{count}} student is excused.',
    excused_other: '{{count}} students are excused.',
    scope: 'Whom to show',
    everybody: 'Everybody',
    nobodyHere: 'Nobody is left by what you chose to show.',
    showAll: 'Show all',
    hideNames: 'Hide names',
    anonymous: 'Student {{number}}',
    save: 'Save …',
    sheetXlsx: 'Sheet as a workbook (XLSX)',
    sheetCsv: 'Sheet as CSV',
    answersXlsx: 'All answers as a workbook (XLSX)',
    answersCsv: 'All answers as CSV',
    live: 'Live',
    notLive: 'Not live right now; it reconnects by itself',
    legend: 'What the marks mean',
    stopHeading: 'Stop {{number}}: {{label}}',
    cell: '{{name}}, stop {{number}}',
    never: '–',
    erased_one: '{{count}} student who had begun was erased from this school; {{handedIn}} had handed in.',
    erased_other: '{{count}} students who had begun were erased from this school; {{handedIn}} had handed in.',
    erasedMean: 'Together they earned {{earned}} of {{possible}} points.',
    late: 'late',
    counts: 'Counts',
    lateLess: 'late, {{percent}} % less',
    lookAt: 'look at this',
    handedIn: '{{count}} of {{all}} handed in',
    empty: 'This class has no students yet',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly sheet: typeof sheetWords;
  }
}
addWords(sheetWords);
