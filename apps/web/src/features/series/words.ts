import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const seriesWords = {
  series: {
    about_one: 'A series of {{count}} lesson',
    about_other: 'A series of {{count}} lessons',
    student: 'Student',
    done: 'Done',
    doneOf: '{{done}} of {{count}}',
    extra: 'Extra',
    due: 'Due {{time}}',
    noDue: 'No due date',
    after: 'Opens when the one before is done',
    afterPercent: 'Opens with {{percent}} % of the points before',
    byDate: 'Opens {{time}}',
    atOnce: 'Open from the start',
    cell: {
      none: 'Does not have it',
      excused: 'Excused',
      waits: 'Not open yet',
      ahead: 'Not begun',
      late: 'Overdue',
      under: '{{share}} of the way',
      handedIn: 'Handed in',
      toMark: 'To mark',
      points: '{{earned}} of {{possible}} points',
    },
    onAverage: 'Handed in',
    nobody: 'Nobody has it any more.',
    change: 'Change the series',
    changeHelp: 'Its name, its order, and what each lesson waits for. What somebody has begun stays open to them.',
    name: 'Name of the series',
    opens: 'Opens',
    percent: 'At least, in %',
    wait: { byDate: 'By its date', afterBefore: 'When the one before is done', withPoints: 'With enough points' },
    up: 'Move “{{title}}” up',
    down: 'Move “{{title}}” down',
    save: 'Save',
    saved: 'The series is saved.',
    putBack: 'The series is as it was.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly series: typeof seriesWords;
  }
}
addWords(seriesWords);
