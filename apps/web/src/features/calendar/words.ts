import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const calendarWords = {
  calendar: {
    title: 'Dates in your calendar',
    help: 'Your calendar program reads your dates from a secret address and keeps up with them. Whoever has the address can read them, so treat it like a password.',
    remind: 'Remind me',
    alarm: { none: 'not at all', hour: 'an hour before', day: 'a day before', days: 'two days before' },
    open: 'Make the address',
    openAgain: 'Make a new address',
    isOpen: 'There is an address already. It is not shown again; a new one takes its place.',
    address: 'The address',
    addressHelp:
      'Shown this once. In your calendar program, choose to add a calendar from an address, and paste it there.',
    copy: 'Copy the address',
    copied: 'The address is copied.',
    close: 'Stop it',
    closed: 'The address leads nowhere any more.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly calendar: typeof calendarWords;
  }
}
addWords(calendarWords);
