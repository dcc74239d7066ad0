import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const questionWords = {
  walk: {
    directionsFor: 'Directions for {{place}}',
    writeHere: 'Write here. It is saved as you type.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly question: typeof questionWords;
  }
}
addWords(questionWords);
