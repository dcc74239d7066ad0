import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const targetWords = {
  targets: {
    list: 'List of targets',
    bringIn: 'Bring in a list',
    bringInHelp: 'A table with a code and its words (CSV), or a CASE 1.0 package (JSON).',
    add: 'New target',
    code: 'Code',
    codeHelp: 'Short, such as “F.2”.',
    words: 'What it is',
    under: 'Under',
    underNone: 'Nothing',
    save: 'Save',
    saved: 'The target is saved.',
    empty: 'No targets yet',
    emptyHelp:
      'What your students are to learn, each with a short code. Questions that name a code show how far each student has come.',
    find: 'Find a target',
    remove: 'Take out “{{code}}”',
    removed: '“{{code}}” is taken out. Questions that name it keep the code.',
    putBack: 'Put back',
    plan_one: '{{count}} target in “{{name}}”',
    plan_other: '{{count}} targets in “{{name}}”',
    faults_one: '{{count}} row cannot be taken:',
    faults_other: '{{count}} rows cannot be taken:',
    faultAt: 'Row {{row}}: {{fault}}',
    fault: {
      codeMissing: 'it has no code',
      wordsMissing: 'it has no words',
      codeTwice: 'the code stands above already',
      tooLong: 'the code or the words are too long',
    },
    more: 'and {{count}} more',
    take_one: 'Take {{count}} in',
    take_other: 'Take {{count}} in',
    taken: '{{added}} new, {{changed}} changed.',
    unreadable: 'There are no targets in this file. It takes a table with a code and its words, or a CASE 1.0 package.',
    tooMany: 'A list holds {{most}} targets at most.',
    cancel: 'Cancel',
    count: 'Showing {{shown}} of {{all}}',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly targets: typeof targetWords;
  }
}
addWords(targetWords);
