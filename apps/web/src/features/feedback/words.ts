import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const feedbackWords = {
  feedback: {
    title: 'Feedback',
    empty: 'No feedback yet',
    emptyHelp: 'What your teacher says about your work appears here.',
    yourAnswer: 'Your answer',
    points: '{{earned}} of {{possible}} points',
    isNew: 'New',
    news_one: '{{count}} new',
    news_other: '{{count}} new',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly feedback: typeof feedbackWords;
  }
}
addWords(feedbackWords);
