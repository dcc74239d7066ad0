import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const weekWords = {
  week: {
    title: 'Week',
    before: 'The week before',
    after: 'The week after',
    today: 'This week',
    range: '{{from}} to {{until}}',
    opens: 'Opens {{time}}',
    due: 'Due {{time}}',
    closes: 'Closes {{time}}',
    done: 'handed in',
    handedIn: '{{count}} of {{all}} handed in',
    nothing: 'Nothing',
    empty: 'Nothing in this week',
    isToday: 'today',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly week: typeof weekWords;
  }
}
addWords(weekWords);
