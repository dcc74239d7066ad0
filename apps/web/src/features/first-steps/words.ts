import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const firstStepsWords = {
  firstSteps: {
    title: 'First steps',
    done: '{{done}} of {{all}} done',
    putAway: 'Put away',
    next: 'Next: {{step}}',
    class: { title: 'make a class', go: 'Make a class' },
    students: { title: 'add your students', go: 'Add students' },
    material: { title: 'bring in a film, a document or slides', go: 'Go to the shelf' },
    stop: { title: 'put in a stop', go: 'Open a lesson' },
    assign: { title: 'assign it', go: 'Open the lesson' },
    answer: { title: 'see the first answer', go: 'Look at the sheet' },
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly firstSteps: typeof firstStepsWords;
  }
}
addWords(firstStepsWords);
