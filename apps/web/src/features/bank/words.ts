import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const bankWords = {
  bank: {
    search: 'Find a question',
    tag: 'Tag',
    anyTag: 'Any tag',
    target: 'Learning target',
    anyTarget: 'Any target',
    order: 'Order',
    orderOf: {
      newest: 'Newest first',
      hardest: 'Hardest first',
      easiest: 'Easiest first',
    },
    notAsked: 'not asked yet',
    tooFew: 'too few to say',
    answers_one: '{{count}} answer',
    answers_other: '{{count}} answers',
    seen: '{{share}} earned',
    emptyHelp:
      'Keep questions here that you want to ask again: write them, type them as lines, or take them from a lesson.',
    open: 'Open the question bank',
    take: 'Take from the question bank',
    takeHelp: 'What you take is a copy: it can be changed here without changing the bank.',
    takeCount_one: 'Take {{count}} question',
    takeCount_other: 'Take {{count}} questions',
    keep: 'Keep question {{number}} in the bank',
    kept: 'Kept in the question bank.',
  },
  desk: {
    empty: 'empty',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly bank: typeof bankWords;
  }
}
addWords(bankWords);
