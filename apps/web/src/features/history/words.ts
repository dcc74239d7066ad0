import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const historyWords = {
  history: {
    title: 'All you gave',
    help: 'By term, also to classes that are put away. What you open here can be given again.',
    class: 'Class',
    allClasses: 'All classes',
    lesson: 'Lesson',
    otherTimes: 'Outside the terms of the school’s calendar',
    empty: 'You have given nothing yet',
    emptyHelp: 'Whatever you give to a class stands here, for as long as it is kept.',
    noneFound: 'Nothing of that.',
    given: 'given {{time}}',
    takenBack: 'taken back',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly history: typeof historyWords;
  }
}
addWords(historyWords);
