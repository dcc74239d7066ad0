import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const printWords = {
  print: {
    print: 'Print',
    withKey: 'With what is right',
    name: 'Name',
    date: 'Date',
    lines_one: '{{count}} line to write on',
    lines_other: '{{count}} lines to write on',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly print: typeof printWords;
  }
}
addWords(printWords);
