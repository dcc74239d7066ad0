import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const scriptWords = {
  desk: {
    addCheckpoint: 'Checkpoint here',
    addPause: 'Pause here',
    addFork: 'Fork here',
    addAt: 'At {{time}}, after the marked line',
    addBehind: 'After ¶{{number}}',
    addBehindSlide: 'After slide {{number}}',
    addFirst: 'Before the first line',
    required: 'Must be answered to go on',
    note: 'Note to read',
    noteHint: 'What should they look at or think about?',
    removeStop: 'Take out this stop',
    closeStop: 'Close',
    stopLine: '{{kind}} at {{time}}',
    moveHandle: 'Drag to another line, or press Alt and an arrow key',
    movedTo: 'Moved to {{time}}',
    noScript:
      'There are no captions, so the script shows what is seen and how loud it is. Bring in captions to read along.',
    outside: 'Outside the window',
    splitHere: 'Split here',
    splitDone: '“{{title}}” is two parts now. Undo puts them together again.',
    beginsHere: '“{{title}}” begins',
    endsHere: '“{{title}}” ends',
    pictureMute: 'Picture without words',
    phrase: 'Stands at these words (optional)',
    phraseHelp: 'Copy them from the paragraph above. Students see them marked.',
    phraseMissing: 'These words are not in the paragraph above.',
  },
  breaks: {
    every: 'A stop about every',
    minutes: 'minutes',
    suggest: 'Suggest stops',
    listening: 'Listening for silences: {{share}}',
    found_zero: 'No place to stop was found; the stretch is short enough.',
    found_one: '{{count}} place to stop',
    found_other: '{{count}} places to stop',
    takeAll: 'Put a checkpoint at each',
    take: 'Checkpoint here',
    drop: 'Not here',
    close: 'Close',
    suggestion: 'A place to stop: {{why}}',
    sentence: 'a sentence ends',
    silence: '{{seconds}} s of silence',
    topic: 'the topic shifts',
    even: 'the stretches are even',
  },
  inset: {
    add: 'Film or sound',
    words: '{{title}} stands here',
    remove: 'Take {{title}} out of the text',
    choose: 'Stands in the text behind the marked paragraph',
    none: 'There is no film or sound on the shelf.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly script: typeof scriptWords;
  }
}
addWords(scriptWords);
