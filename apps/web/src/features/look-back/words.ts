import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const lookBackWords = {
  lookBack: {
    nothing: 'Nobody has answered yet',
    nothingHelp: 'When answers come in, they can be looked at here together with the class.',
    show: 'Show to the class',
    print: 'Print',
    close: 'Close it now',
    stillOpen_one: '{{count}} student has not handed in yet. What they did stays, and nothing more can be done.',
    stillOpen_other: '{{count}} students have not handed in yet. What they did stays, and nothing more can be done.',
    isClosed: 'It is closed.',
    handedIn: '{{count}} of {{all}} handed in',
    share: '{{share}} of the points',
    tooFew: 'too few answers to say',
    number: 'Question {{number}}',
    asked_one: '{{count}} answer',
    asked_other: '{{count}} answers',
    shown: 'Shown',
    shownOf: 'Show question {{number}}',
    chooseAnswers: 'Choose answers …',
    chosen_one: '{{count}} answer is shown',
    chosen_other: '{{count}} answers are shown',
    chooseTitle: 'Answers to show',
    chooseHelp: 'Without a name, it is shown as an answer of somebody in the class.',
    showAnswer: 'Show the answer of {{name}}',
    withName: 'with the name',
    nameOf: 'Say that it is of {{name}}',
    somebody: 'Somebody in the class',
    noAnswers: 'Nobody has answered this yet.',
    again: 'To take up again',
    againLabel: 'What we take up again',
    againHelp: 'In your words; below it stand the questions of which less than half of the points was earned.',
    weak: 'Question {{number}}: {{stem}} ({{share}})',
    targets: 'What was to be learnt',
    target: '{{target}}: {{share}} of the points',
    answer: 'Answer',
    count: 'How many',
    of: 'Page {{at}} of {{count}}',
    next: 'Next',
    previous: 'Back',
    leave: 'End',
    moreAnswers: 'No more than two hundred answers can be shown.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly lookBack: typeof lookBackWords;
  }
}
addWords(lookBackWords);
