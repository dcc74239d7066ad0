import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const recorderWords = {
  voice: {
    voice: 'Voice',
    camera: 'Camera and voice',
    screen: 'Screen and voice',
    level: 'Loudness of the microphone',
    levelHelp: 'Speak a few words: the bar should move well past its first quarter.',
    microphone: 'Microphone',
    begin: 'Begin recording',
    stop: 'Stop recording',
    cancel: 'Cancel',
    running: 'Recording',
    finishing: 'Writing the recording…',
    recorded: 'Your recording',
    live: 'What is being recorded',
    startsAt: 'Starts at',
    endsAt: 'Ends at',
    keep: 'Use this recording',
    keeping: 'Saving the recording…',
    again: 'Record again',
    notSecure: 'Browsers record only on secure pages (https). Ask whoever looks after this installation.',
    notAllowed: 'The browser does not let this page record. Allow it in the address bar, then try again.',
    notThere: 'No microphone, or no camera, was found. Plug one in and try again.',
    notPossible: 'This browser cannot record. Another program may be using the microphone.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly recorder: typeof recorderWords;
  }
}
addWords(recorderWords);
