import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const pictureWords = {
  picture: {
    cut: 'Cut one out',
    cutTitle: 'Cut out a picture',
    cutHelp: 'Drag a rectangle over what you want, or take the whole.',
    from: 'From',
    frame: 'Moment',
    page: 'Page',
    slide: 'Slide',
    of: 'of {{count}}',
    number: 'Picture {{number}}',
    none: 'There are no pictures in this text.',
    noPages: 'The pages cannot be shown right now. Check the connection and open this again.',
    drawing: 'Drawing it…',
    wholeTaken: 'The whole is taken.',
    partTaken: 'What is inside the rectangle is taken.',
    takeWhole: 'Take the whole',
    byKeys: 'Put a rectangle in the middle',
    area: 'The rectangle that is cut out. Move it with the arrow keys.',
    edge: 'Edge of the rectangle. Move it with the arrow keys.',
    alt: 'What it shows',
    altHelp: 'For those who cannot see it.',
    altMissing: 'Say what it shows, for those who cannot see it.',
    name: 'From {{title}}',
    take: 'Use this picture',
    taking: 'Taking it…',
    file: 'From a file',
    shelf: 'From the shelf',
    remove: 'Remove the picture',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly picture: typeof pictureWords;
  }
}
addWords(pictureWords);
