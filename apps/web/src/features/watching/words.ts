import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const watchingWords = {
  watching: {
    nothing: 'Nobody has watched or read anything yet',
    nothingHelp: 'As soon as students begin, this page shows which stretches they met, and where they went back.',
    begun_one: '{{count}} has begun it',
    begun_other: '{{count}} have begun it',
    notBegun: 'Nobody has begun this part yet.',
    tooFew: 'Too few have begun it to say what stands out.',
    plainTitle: '{{count}} of {{all}} met it to the end',
    wentBack: '{{count}} of {{all}} went back over {{place}}',
    left: '{{count}} of {{all}} have not come past {{place}}',
    paused: '{{count}} of {{all}} paused at {{place}}',
    nothingStandsOut: 'No place stands out: nowhere did many go back, pause or stop.',
    show: 'Show this place',
    putStop: 'Put a stop here',
    groupBack: 'Went back over {{place}}',
    groupLeft: 'Stopped at {{place}}',
    groupPaused: 'Paused at {{place}}',
    met: 'Met it',
    again: 'Met it more than once',
    stops: 'Stops',
    place: 'The place that is looked at',
    slider: 'Place in “{{title}}”',
    sliderValue: '{{place}}: {{met}} of {{all}} met it, {{again}} more than once',
    table: 'As a table',
    time: 'Time',
    said: 'What is said there',
    notSaid: 'Nothing is said there.',
    block: 'Block',
    slide: 'Slide',
    blockNumber: 'block {{number}}',
    slideNumber: 'slide {{number}}',
    spent: 'Time (half took less)',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly watching: typeof watchingWords;
  }
}
addWords(watchingWords);
