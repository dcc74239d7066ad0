import { addWords } from '../../words/words.ts';

/** The words of boards and their tiles, loaded with them. */
export const tileWords = {
  board: {
    untitled: 'Untitled tile',
    does: {
      watch: 'watch',
      read: 'read',
      make: 'make',
      draw: 'draw',
      calculate: 'calculate',
      write: 'write',
      talk: 'talk',
      other: 'something else',
    },
    worth: 'worth {{worth}}',
    done: 'done',
    need: {
      any_one: 'Do any one of these.',
      any_other: 'Do any {{count}} of these.',
      eachRow: 'Do one of each row.',
      firstAnd_zero: 'Do the first one.',
      firstAnd_one: 'Do the first one, and {{count}} more.',
      firstAnd_other: 'Do the first one, and any {{count}} more.',
      worth: 'Do enough of these to reach {{worth}}.',
    },
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly tiles: typeof tileWords;
  }
}
addWords(tileWords);
