import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const reviewWords = {
  review: {
    title: 'Come back to it',
    lead: 'A few questions about what was not easy last time.',
    questions_one: '{{count}} question',
    questions_other: '{{count}} questions',
    left_one: '{{count}} question left',
    left_other: '{{count}} questions left',
    minutes_one: 'about {{count}} minute',
    minutes_other: 'about {{count}} minutes',
    begin: 'Begin',
    goOn: 'Go on',
    leave: 'To do',
    nothing: 'Nothing comes back today',
    nothingHelp: 'What you answered today rests first. It comes back after some days.',
    countsNothing: 'No mark comes of it',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly review: typeof reviewWords;
  }
}
addWords(reviewWords);
