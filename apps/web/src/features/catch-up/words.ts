import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const catchUpWords = {
  catchUp: {
    title: 'Catch up: {{title}}',
    for: 'For {{name}}',
    back: 'Progress',
    print: 'Print',
    copy: 'Copy the link',
    copied: 'Link copied',
    copyFailed: 'The link could not be copied. Here it is: {{link}}',
    startsThere: 'Opens the lesson where the first of this begins',
    withWords: 'With what is said and written there',
    withFound: 'With what the class found',
    foundTells: 'It tells what is right. For whoever need not answer any more.',
    nothing: '{{name}} has missed nothing',
    nothingHelp: 'All of the material was met, and every stop is done.',
    all: 'Nothing of it was begun: this is the whole lesson.',
    some_one: '{{count}} place was missed.',
    some_other: '{{count}} places were missed.',
    stretch: '{{title}}, {{from}} to {{to}}',
    place: '{{title}}, {{at}}',
    whole: '{{title}}',
    open: 'Open the lesson here',
    slide: 'Slide {{number}}',
    noWords: 'Nothing is said there.',
    found: 'What the class found',
    answered_one: '{{count}} has answered',
    answered_other: '{{count}} have answered',
    share: '{{share}} of the points',
    tooFew: 'too few to say',
    unmarked: 'not marked yet',
    most: 'Most often: {{words}} ({{count}})',
    right: 'Right: {{words}}',
    nobody: 'Nobody has answered yet.',
    inLesson: 'Answer in the lesson. Where there is no screen, answer here.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly catchUp: typeof catchUpWords;
  }
}
addWords(catchUpWords);
