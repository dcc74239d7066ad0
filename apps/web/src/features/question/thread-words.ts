import { addWords } from '../../words/words.ts';

/** The words of class threads, loaded with them. */
export const threadWords = {
  thread: {
    title: 'What the class wrote',
    you: 'You',
    teacher: 'teacher',
    reply: 'Reply',
    replyTo: 'Reply to {{name}}',
    send: 'Send the reply',
    hide: 'Hide',
    show: 'Show again',
    hidden: 'hidden',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly thread: typeof threadWords;
  }
}
addWords(threadWords);
