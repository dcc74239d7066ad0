import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const questionWords = {
  question: {
    mayBeBlank: 'may be left blank',
    sound: 'Sound for {{place}}',
    gap: 'Gap {{number}}',
    choose: 'Choose…',
    numberHint: 'A number',
    notSet: 'Not set yet',
    starters: 'Ways to begin',
    wordBox: 'Word box',
    words_one: '{{count}} word',
    words_other: '{{count}} words',
    wordsBetween: '(asked for: {{least}} to {{most}})',
    wordsLeast: '(asked for: at least {{least}})',
    wordsMost: '(asked for: at most {{most}})',
    characters_one: '{{count}} character',
    characters_other: '{{count}} characters',
    dictate: 'Dictate',
    stopDictation: 'Stop dictating',
    read: 'Read aloud',
    readAloud: 'Read aloud: {{of}}',
    stopReading: 'Stop',
    allPlaced: 'Every word has its place.',
    inHand: '“{{word}}” in hand. Now choose its place.',
    placeEmpty: 'empty',
    matchPool: 'Choose from these',
    labels: 'Labels',
    pointsHelp_one: 'Press where it is. With the keyboard: move with the arrow keys, place with Enter.',
    pointsHelp_other:
      'Press where they are, up to {{count}}. With the keyboard: move with the arrow keys, place with Enter.',
    removePoint: 'Point {{number}}: {{across}} % across, {{down}} % down',
    drag: 'Drag: {{item}}',
    orderHelp: 'Drag, or use the arrows.',
    orderStands: 'Leave the order as it is',
    associateHelp: 'Choose two that belong together.',
    associateOther: 'Now choose what belongs to “{{item}}”.',
    unpair: 'Separate: {{a}} and {{b}}',
    chooseFile: 'Choose a file',
    sendingFile: 'Sending the file…',
    filesHelp_one: 'One file: a picture, a PDF, a sound, a film or a document.',
    filesHelp_other: 'Up to {{count}} files: pictures, PDFs, sounds, films or documents.',
    removeFile: 'Remove {{name}}',
    recordingName: 'My answer',
    hint: 'Hint',
    hintFree: 'Show a hint',
    hintFor_one: 'Show a hint (costs {{points}} point)',
    hintFor_other: 'Show a hint (costs {{points}} points)',
    rightIs: 'Right:',
    right: 'Right',
    notRight: 'Not right',
    missed: 'Would have been right',
  },
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
