import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const assignmentWords = {
  today: {
    mark_one: 'Mark {{count}} answer',
    mark_other: 'Mark {{count}} answers',
    handedIn: '{{count}} of {{all}} handed in',
    due: 'due {{time}}',
    noDue: 'no due date',
  },
  path: {
    title: 'Path',
  },
  sheet: {
    sheet: 'Sheet',
    stops: 'Stops',
    watching: 'Watching',
    terms: 'Terms',
    lookBack: 'Look back',
    ended: 'It is closed for everyone.',
    edition: 'edition {{number}}',
    ofSeries: 'series “{{title}}”',
  },
  marking: {
    title: 'Marking',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly assignment: typeof assignmentWords;
  }
}
addWords(assignmentWords);
