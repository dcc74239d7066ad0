import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const assigningWords = {
  assign: {
    title: 'Assign “{{title}}”',
    to: 'Class',
    chooseClass: 'Choose a class',
    opens: 'Opens',
    due: 'Due',
    closes: 'Closes',
    zone: 'On the clock of the class ({{zone}}). Leave empty for no limit.',
    skipping: 'Skipping',
    skippingHelp: 'Students may go anywhere in the material and leave questions unanswered.',
    rewind: 'Going back while a question is open',
    turningBack: 'Trying another way',
    turningBackHelp: 'Students may come back to a fork and choose again.',
    whenReached: 'Questions only when reached',
    whenReachedHelp: 'Nobody can read ahead in the browser. Students need a connection all the way through.',
    rewindHelp: 'Students may look at the material again before they answer.',
    maxRate: 'Fastest speed',
    submit: 'Assign to {{name}}',
    submitPlain: 'Assign',
    done: 'Given to {{name}}.',
    edition: 'They get edition {{number}}. Later changes to the draft do not affect it.',
  },
  terms: {
    title: 'Terms',
    window: 'Dates',
    save: 'Save the dates',
    saved: 'The dates are saved.',
    fixed: 'The terms were fixed when this was assigned, so that they stay the same for everyone.',
    skippingOn: 'Students may skip.',
    skippingOff: 'Students can only go on once a stop is answered.',
    turningBack: 'They may come back to a fork and choose another way.',
    whenReached: 'They get each question when they reach it, and need a connection for it.',
    rewindOn: 'They may go back while a question is open.',
    rewindOff: 'The material waits while a question is open.',
    rate: 'Fastest speed: {{rate}} ×.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly assigning: typeof assigningWords;
  }
}
addWords(assigningWords);
