import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const readingWords = {
  leftOut: {
    drawnSlides_one: 'The slides could not be drawn; their words are here.',
    drawnSlides_other: 'The slides could not be drawn; their words are here.',
    title: 'Not everything could be brought over:',
    equations_one: '{{count}} formula',
    equations_other: '{{count}} formulas',
    scripts_one: '{{count}} script',
    scripts_other: '{{count}} scripts',
    formFields_one: '{{count}} field of a form',
    formFields_other: '{{count}} fields of forms',
    embeddedFrames_one: '{{count}} page shown inside the page',
    embeddedFrames_other: '{{count}} pages shown inside the page',
    macros_one: 'its macros',
    macros_other: 'its macros',
    comments_one: '{{count}} comment',
    comments_other: '{{count}} comments',
    trackedChanges_one: '{{count}} tracked deletion',
    trackedChanges_other: '{{count}} tracked deletions',
    picturesElsewhere_one: '{{count}} picture that is not in the file',
    picturesElsewhere_other: '{{count}} pictures that are not in the file',
    picturesUnreadable_one: '{{count}} picture that cannot be read',
    picturesUnreadable_other: '{{count}} pictures that cannot be read',
    trackingPictures_one: '{{count}} picture too small to see',
    trackingPictures_other: '{{count}} pictures too small to see',
    unsafeLinks_one: '{{count}} unsafe link; its words are kept',
    unsafeLinks_other: '{{count}} unsafe links; their words are kept',
    drawings_one: '{{count}} drawing',
    drawings_other: '{{count}} drawings',
    hiddenSlides_one: '{{count}} hidden slide',
    hiddenSlides_other: '{{count}} hidden slides',
    diagrams_one: '{{count}} diagram; its words are kept',
    diagrams_other: '{{count}} diagrams; their words are kept',
    charts_one: '{{count}} chart of a kind that cannot be drawn',
    charts_other: '{{count}} charts of kinds that cannot be drawn',
    films_one: '{{count}} film inside a slide; bring it in by itself',
    films_other: '{{count}} films inside slides; bring them in by themselves',
    pagesWithoutText_one: '{{count}} page is a picture: its words cannot be read aloud',
    pagesWithoutText_other: '{{count}} pages are pictures: their words cannot be read aloud',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly reading: typeof readingWords;
  }
}
addWords(readingWords);
