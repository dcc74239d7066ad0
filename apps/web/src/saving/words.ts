import { addWords } from '../words/words.ts';

/** The words of this room, loaded with it. */
export const savingWords = {
  desk: {
    saved: 'Saved',
    saving: 'Saving…',
    unsaved: 'Not saved yet',
    offline: 'No connection. Your changes are kept in this tab and saved when it is back.',
    signedOut: 'You are signed out. Sign in in another tab; your changes are kept in this one and saved then.',
    refused: 'The last change cannot be saved. Undo it and go on; all before it is saved.',
    keepMine: 'Put mine on top',
    dropMine: 'Keep what is there',
  },
} as const;

declare module '../words/words.ts' {
  interface Catalogues {
    readonly saving: typeof savingWords;
  }
}
addWords(savingWords);
