import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const talkWords = {
  talk: {
    label: 'What was said about it',
    you: 'You',
    at: '{{name}}, {{time}}',
    write: 'Write back',
    send: 'Send',
    cancel: 'Cancel',
    sent: 'It is sent.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly talk: typeof talkWords;
  }
}
addWords(talkWords);
