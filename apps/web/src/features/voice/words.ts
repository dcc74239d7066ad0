import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const voiceWords = {
  voice: {
    words: 'What is said',
    wordsHelp: 'For those who cannot hear it.',
    remove: 'Remove the recording',
    ofPause: 'Say it in your own voice',
    ofPauseHelp: 'Students go on once they have heard it.',
    ofPauseTitle: 'Voice at {{place}}',
    ofPart: 'Spoken or filmed directions for this part',
    ofPartTitle: 'Directions, {{title}}',
    ofLesson: 'Directions for the lesson',
    ofLessonTitle: 'Directions for the lesson',
    ofQuestion: 'Spoken or filmed directions',
    ofQuestionTitle: 'Directions, question {{number}}',
    directionsHelp: 'For those who cannot read yet, or not well.',
    over: 'Your voice over the film',
    overBegin: 'Speak over the film',
    overHelp: 'Go to where you want to begin. The film runs along without its sound while you speak.',
    overTitle: 'Voice over {{title}}',
    overPlace: '{{from}} to {{to}}',
    overPlay: 'Play from {{from}}',
    overRemove: 'Remove the voice from {{from}} to {{to}}',
    filmSound: 'The film meanwhile',
    silent: 'Without its sound',
    quiet: 'Quietly under your voice',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly voice: typeof voiceWords;
  }
}
addWords(voiceWords);
