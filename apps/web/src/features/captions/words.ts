import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const captionsWords = {
  captions: {
    title: 'Captions',
    bringIn: 'Bring in captions',
    replace: 'Bring in others',
    download: 'Save as WebVTT',
    downloadSrt: 'Save as SRT',
    correct: 'Correct them',
    correcting: 'Correcting the captions',
    done: 'Done',
    start: 'Start of caption {{number}}',
    end: 'End of caption {{number}}',
    words: 'Words of caption {{number}}',
    split: 'Split at the cursor',
    merge: 'Join with the next',
    removeOne: 'Take out',
    shiftLabel: 'Move all by seconds',
    shift: 'Move all',
    scaleLabel: 'They were made for',
    scale: 'Stretch all',
    scaleNone: 'the same speed',
    scale25to24: '25 pictures a second, the film has 24',
    scale24to25: '24 pictures a second, the film has 25',
    impossible: 'That is not possible here. Nothing was changed.',
    movedTitle: 'These captions were changed somewhere else',
    moved: 'Put yours on top, or keep what is there now. Undo brings back what gave way.',
    help: 'WebVTT or SRT. They become the script.',
    taken_one: '{{count}} caption was taken.',
    taken_other: '{{count}} captions were taken.',
    faults: 'Some lines had problems:',
    more: 'and {{count}} more',
    line: 'Line {{line}}: {{what}}',
    left: ' This caption was left out.',
    notCaptions: 'this is not a caption file.',
    timeUnreadable: 'the time cannot be read.',
    endBeforeStart: 'it ends before it starts.',
    overlapsPrevious: 'it overlaps the caption before.',
    cueWithoutWords: 'there are no words.',
    blankLineMissing: 'a blank line is missing above.',
    formUnusual: 'the form is unusual, but it could be read.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly captions: typeof captionsWords;
  }
}
addWords(captionsWords);
