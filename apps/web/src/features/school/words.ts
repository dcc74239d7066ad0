import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const schoolWords = {
  school: {
    title: 'School',
    people: 'Teachers and admins',
    students_one: '{{count}} student at the school',
    students_other: '{{count}} students at the school',
    name: 'Name',
    nameMissing: 'Enter a name.',
    email: 'E-mail',
    emailMissing: 'Enter an e-mail address.',
    classes: 'Classes',
    is: 'Is',
    teacher: 'teacher',
    admin: 'admin',
    makeAdmin: 'Make admin',
    noAdmin: 'No longer admin',
    makeAdminOf: 'Make {{name}} an admin',
    noAdminOf: '{{name}} is no longer an admin',
    invite: 'Invite a teacher',
    inviteHelp: 'You get a link to send. It works once, for a week.',
    inviteMake: 'Make the link',
    asAdmin: 'Also looks after the school, as you do',
    linkTitle: 'The link for {{name}}',
    linkHelp: 'Send it yourself, for example by e-mail. It is shown this once, and works once, until {{day}}.',
    copy: 'Copy the link',
    copied: 'The link is copied.',
    done: 'Done',
    invited: 'Invited',
    waitsUntil: 'The link works until {{day}}',
    takeBack: 'Take back',
    takeBackOf: 'Take back the invitation of {{name}}',
    takenBack: 'The link of {{name}} works no longer.',
    codeTitle: 'Code for teachers',
    codeHelp:
      'Whoever enters it at {{address}} becomes a teacher of the school. Show it to colleagues only, and turn it off afterwards.',
    codeOn: 'Turn a code on',
    codeOff: 'Turn it off',
    codeNew: 'New code',
    about: 'About the school',
    schoolName: 'Name of the school',
    timeZone: 'Time zone of new classes',
    numbers: 'New classes write numbers in',
    save: 'Save',
    saved: 'Saved.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly school: typeof schoolWords;
  }
}
addWords(schoolWords);
