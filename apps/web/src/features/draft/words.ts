import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const draftWords = {
  desk: {
    conflictTitle: 'This lesson was changed somewhere else',
    conflictHelp:
      'Both of you changed the same thing. Nothing is lost: put your unsaved changes on top, or keep what is there now. You will see what had to give way.',
    leftOutTitle: 'This gave way',
    leftOutHelp: 'It is no longer in the lesson. Copy what you still need.',
    leftOutMine: 'Yours:',
    leftOutTheirs: 'What stood there:',
    leftOutStep: 'A change without words',
    putAway: 'Dismiss',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly draft: typeof draftWords;
  }
}
addWords(draftWords);
