import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const filmWords = {
  film: {
    play: 'Play',
    pause: 'Pause',
    back5: 'Back 5 seconds',
    place: 'Place in the film',
    placeText: '{{at}} of {{end}}',
    speed: 'Speed',
    captions: 'Captions',
    fullScreen: 'Full screen',
    loud: 'Sound on',
    mute: 'Sound off',
    cannotPlay: 'The film cannot be played right now. Check the connection and load the page again.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly film: typeof filmWords;
  }
}
addWords(filmWords);
