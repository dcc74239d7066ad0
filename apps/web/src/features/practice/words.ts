import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const practiceWords = {
  practice: {
    dialog: 'Practice link for “{{title}}”',
    help: 'With the link anyone can walk through the newest edition: without a name, and with nothing kept. You see nothing of it.',
    caution:
      'Whoever has it is shown what is correct after each answer. Do not use it for a lesson that is also a test.',
    make: 'Make a practice link',
    on: 'Turn it on again',
    off: 'Turn it off',
    link: 'Practice link',
    frames: 'Sites that may show it in a frame',
    framesHelp: 'One address a line, such as https://class.example. No other page can show it.',
    framesWrong: 'Write whole addresses of sites, such as https://class.example.',
    saveFrames: 'Save the sites',
    framesSaved: 'The sites are saved.',
    embed: 'For the page that shows it',
    from: 'By {{teacher}}, {{school}}',
    keptTitle: 'For practice: nothing is kept',
    kept: 'No name is asked for, and nobody sees your answers. When you close or reload this page, all of it is gone.',
    begin: 'Begin',
    status: 'For practice: nothing is kept',
    again: 'Start over',
    gone: 'This practice link cannot be used',
    goneHelp: 'It was turned off, or its address is not complete. Ask whoever gave it to you.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly practice: typeof practiceWords;
  }
}
addWords(practiceWords);
