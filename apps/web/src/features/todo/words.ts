import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const todoWords = {
  todo: {
    title: 'To do',
    week: 'Week',
    done: 'Done',
    feedback: 'Feedback',
    notices_one: 'Notices, {{count}} new',
    notices_other: 'Notices, {{count}} new',
    noNotices: 'Notices',
    waitingFor: 'You have asked to join {{names}}. As soon as your teacher lets you in, its lessons are here.',
    empty: 'Nothing to do right now',
    emptyElse: 'Nothing else to do right now',
    emptyHelp: 'Lessons from your teacher appear here.',
    doneEmpty: 'Nothing handed in yet',
    begin: 'Begin',
    goOn: 'Go on',
    look: 'Look again',
    beginAgain: 'Begin again',
    attempts_one: '{{count}} attempt',
    attempts_other: '{{count}} attempts',
    due: 'Due {{time}}',
    wasDue: 'Was due {{time}}',
    saveDate: 'Keep the date',
    opens: 'Opens {{time}}',
    waits: 'Opens when “{{title}}” is done',
    waitsPoints: 'Opens when “{{title}}” is done with {{percent}} % of its points',
    inSeries: '{{title}}, {{number}} of {{count}}',
    besideSeries: '{{title}}, beside the series',
    doneInSeries_one: '{{done}} of {{count}} lesson done',
    doneInSeries_other: '{{done}} of {{count}} lessons done',
    closes: 'Closes {{time}}',
    closed: 'Closed {{time}}',
    noDue: 'No due date',
    excused: 'You are excused',
    stops_one: '{{count}} stop',
    stops_other: '{{count}} stops',
    progress: '{{title}}: {{share}} done',
    handedIn: 'Handed in {{time}}',
    waiting: 'Some answers are waiting for your teacher',
    points: '{{earned}} of {{possible}} points',
    late: 'Late',
    worth_one: 'Counts {{points}} point',
    worth_other: 'Counts {{points}} points',
    counts: 'counts {{points}} of {{of}}',
    lessForLate: '{{percent}} % less for being late',
    lateCosts: 'Late work counts {{percent}} % less a day, {{most}} % at most',
    withheld: 'Your teacher shows later how it went',
    section: {
      back: 'Came back to you',
      late: 'Late',
      today: 'Due today',
      tomorrow: 'Due tomorrow',
      noDate: 'Without a date',
      soon: 'Opens later',
      extra: 'Extra, if you like',
      over: 'Over',
    },
    from: '{{className}}, {{teacher}}',
    workAgain: 'Work on it again',
    givenBack_one: 'Your teacher gave {{count}} answer back to you.',
    givenBack_other: 'Your teacher gave {{count}} answers back to you.',
    leftOver_one: '{{count}} step of your work is still on this device only. It will be sent once you are connected.',
    leftOver_other:
      '{{count}} steps of your work are still on this device only. They will be sent once you are connected.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly todo: typeof todoWords;
  }
}
addWords(todoWords);
