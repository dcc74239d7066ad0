import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const partDetailsWords = {
  desk: {
    window: 'Window',
    inPoint: 'In',
    outPoint: 'Out',
    setIn: 'Set in here',
    setOut: 'Set out here',
    wholeFilm: 'Whole film',
    windowHelp: 'Students see from in to out. Keys I and O set them at the place of the film.',
    clipTitle: 'Name of the clip',
    readingTitle: 'Name of the reading',
    deckTitle: 'Name of the deck',
    removeClip: 'Take out this clip',
    removeReading: 'Take out this reading',
    removeDeck: 'Take out this deck',
    document: 'Document',
    deck: 'Slides',
    again: 'Bring in a newer version',
    againHelp: 'Stops stay with the words they follow. Students who have begun keep the version they have.',
    againBusy: 'Bringing in {{name}}…',
    againDone: 'The newer version is here, and every stop is in its place.',
    againAstray_one: 'The newer version is here. One stop lost its place and stands where that was; look at it:',
    againAstray_other:
      'The newer version is here. {{count}} stops lost their places and stand where those were; look at them:',
    pictures: 'Pictures',
    picturesWithoutAlt_one: '{{count}} picture has no words yet',
    picturesWithoutAlt_other: '{{count}} pictures have no words yet',
    picturesWorded: 'Every picture has its words.',
    pictureWords: 'Words for the picture at ¶{{number}}',
    slidePictureWords: 'Words for the picture on slide {{number}}',
    pictureHint: 'What would you say to somebody who cannot see it?',
    level: '{{length}}, {{words}} words, about grade {{grade}} (Flesch–Kincaid; reading ease {{ease}})',
  },
  inset: {
    next: 'Link at the end to',
    nextNone: 'No link',
    nextHelp: 'Students who were given that lesson go straight on to it.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly partDetails: typeof partDetailsWords;
  }
}
addWords(partDetailsWords);
