import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const accountWords = {
  account: {
    ofClass: 'Work in {{className}}',
    asOf: 'As of {{date}}',
    print: 'Print',
    nothing: 'Nothing was given to this student yet',
    handedIn_one: '{{name}} has handed in {{handedIn}} of {{count}} lesson that was given.',
    handedIn_other: '{{name}} has handed in {{handedIn}} of {{count}} lessons that were given.',
    late_one: 'One of them came late.',
    late_other: '{{count}} of them came late.',
    overdue_one: 'One is past its date and still missing.',
    overdue_other: '{{count}} are past their dates and still missing.',
    excused_one: 'From one lesson {{name}} is excused.',
    excused_other: 'From {{count}} lessons {{name}} is excused.',
    extras_one: 'One extra was done besides.',
    extras_other: '{{count}} extras were done besides.',
    points: 'In what was handed in, {{name}} earned {{earned}} of {{possible}} points ({{share}}).',
    waiting_one: 'One answer is still to be marked, and is not counted in the points.',
    waiting_other: '{{count}} answers are still to be marked, and are not counted in the points.',
    met: 'Of the films and texts {{share}} were watched or read, in {{time}} altogether.',
    trend: 'Share of the points, lesson by lesson',
    trendTitle: 'From {{first}} in the first lesson to {{last}} in the latest',
    lesson: 'Lesson',
    due: 'Due',
    state: 'State',
    handedInAt: 'Handed in',
    pointsOf: 'Points',
    time: 'Time',
    extra: 'extra',
    never: '–',
    counted: 'Counted by the rules of the class: {{total}}',
    categoryWeight: '{{name}} (weight {{weight}})',
    targets: 'What was learnt',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly account: typeof accountWords;
  }
}
addWords(accountWords);
