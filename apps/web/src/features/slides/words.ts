import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const slidesWords = {
  slides: {
    page: 'Making slides',
    title: 'Name of these slides',
    titleHint: 'Name these slides',
    untitled: 'Slides',
    backToShelf: 'Shelf',
    backToLesson: 'Lesson',
    save: 'Save',
    saved: 'The slides are saved.',
    movedTitle: 'These slides were changed somewhere else',
    moved: 'Put yours on top, or keep what is there now. Undo brings back what gave way.',
    done: 'Save and go back',
    orientation: 'Which way the slides lie',
    landscape: 'Wide',
    portrait: 'Tall',
    list: 'Slides',
    noHeading: 'No heading yet',
    add: 'Add a slide',
    up: 'Move slide {{number}} up',
    down: 'Move slide {{number}} down',
    copy: 'Copy slide {{number}}',
    remove: 'Remove slide {{number}}',
    preview: 'How the slide looks',
    drawn: 'The slide is drawn.',
    onSlide: 'What is on the slide',
    heading: 'Heading',
    text: 'Text',
    textHelp:
      'A line that begins with - is an item of a list; **two stars** make words bold; [words](address) is a link.',
    picture: 'Picture',
    film: 'Film',
    noFilm: 'No film',
    background: 'Background',
    colour: 'Background {{colour}}',
    ownColour: 'Another colour',
    backgroundPicture: 'Picture behind everything',
    notes: 'Notes for yourself',
    notesHelp: 'Students do not see them.',
    leaveTitle: 'These slides are not saved',
    leaveHelp: 'What you changed since the last save would be lost.',
    stay: 'Stay here',
    leave: 'Leave without saving',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly slides: typeof slidesWords;
  }
}
addWords(slidesWords);
