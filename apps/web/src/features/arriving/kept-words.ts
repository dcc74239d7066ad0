import { addWords } from '../../words/words.ts';

/** What is kept of a student, in words a family reads; loaded with the page that says it. */
export const keptWords = {
  kept: {
    title: 'What Semita keeps of a student',
    back: 'Back',
    what: {
      title: 'What is kept',
      items: {
        account:
          'The name, the user name and the classes and groups a student is in. No birthday, no photo, and no address, unless they asked for notices by mail.',
        work: 'Answers, drawings, files and recordings they hand in, and drafts of answers until they are given.',
        way: 'Which stretches of a film, a text or slides they went through, when, and for how long they worked.',
        marks:
          'Points, comments and voices of their teachers, and what was made different for them, such as more time.',
        signIns: 'When they signed in and out, for half a year. No addresses, no places.',
      },
    },
    who: {
      title: 'Who sees it',
      items: {
        teachers: 'The teachers of their classes, and whoever stands in for them on those days.',
        self: 'They themselves. Other students see only what is posted to the class in a discussion.',
        school:
          'Whoever looks after the school sees who is in which class, not the answers; they can give a family everything that is kept, and each time is written in the log.',
        nobody:
          'Nobody else. Nothing is sent to other companies, there is no advertising, and nothing is counted elsewhere.',
      },
    },
    long: {
      title: 'How long',
      items: {
        year: 'As long as the class is kept. Your school decides after how long classes of past years are deleted.',
        removed: 'A class that is deleted can be brought back for 30 days; then it is gone with all work in it.',
        backups: 'Backups of the server hold it until they are replaced, as your school has set them.',
      },
    },
    get: {
      title: 'Getting it, and having it erased',
      items: {
        copy: 'Ask your school for everything that is kept: it is one file that any computer opens, with all words, marks and files.',
        erase:
          'Ask your school to erase it: account, words, files, voices and marks go for good. How many students had begun a lesson stays, without any name.',
      },
    },
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly kept: typeof keptWords;
  }
}
addWords(keptWords);
