import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const noticeWords = {
  notices: {
    title: 'Notices',
    empty: 'No notices yet',
    emptyHelp: 'New lessons, dates that come near and what your teacher says appear here.',
    allRead: 'Mark all as read',
    isNew: 'new',
    kind: {
      new: 'New lesson',
      newDue: 'New lesson, due {{time}}',
      dueTomorrow: 'Due tomorrow, {{time}}',
      overdue: 'Was due {{time}}',
      receipt: 'You handed it in, {{time}}',
      marked: 'Your teacher has marked it',
      returned: 'Came back to you, to work on it again',
      released: 'You can see now how it went',
      extended: 'You have more time',
      extendedDue: 'You have more time, until {{time}}',
      nudged: 'Your teacher reminds you',
      wroteBack: 'Your teacher wrote back to you',
    },
    byMail: 'By mail as well',
    wish: 'When',
    wishes: { none: 'Never', each: 'As it happens', daily: 'Once a day' },
    address: 'To this address',
    addressHelp: 'We write to it first, and ask whether it is yours.',
    unconfirmed: 'A mail is on its way to {{address}}. Open the link in it; until then nothing else comes.',
    confirmed: 'Notices go to {{address}}.',
    save: 'Save',
    saved: 'Saved.',
    onTitle: 'Is this your address?',
    onHelp: 'Press the button, and notices about lessons come to it.',
    on: 'Yes, it is mine',
    isOn: 'Notices come to this address now.',
    offTitle: 'No more mails?',
    offHelp: 'The notices stay in Semita; only the mails end.',
    off: 'Send no more mails',
    isOff: 'No more mails come.',
    badLink: 'This link leads nowhere any more.',
    home: 'To Semita',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly notices: typeof noticeWords;
  }
}
addWords(noticeWords);
