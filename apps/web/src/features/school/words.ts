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
    classesTitle: 'Classes of the school',
    classStudents_one: '{{count}} student',
    classStudents_other: '{{count}} students',
    archived: 'put away',
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
    rosterTitle: 'From your school’s system',
    rosterHelp:
      'Takes people and classes out of a OneRoster package (a zip of CSV files). Taking a newer one later brings everything up to date.',
    rosterFile: 'Choose the package',
    rosterReading: 'Reading…',
    rosterUnreadable:
      'This is no OneRoster package: a zip with manifest.csv, users.csv, classes.csv and enrollments.csv.',
    rosterPlanHelp: 'This is what it comes to. Nothing is changed yet.',
    rosterPeople: 'New: {{added}}. Called differently now: {{renamed}}. Here already: {{same}}.',
    rosterClass: 'Class',
    rosterStudents: 'Students',
    rosterComing: 'Coming in',
    rosterGone: 'No longer in the package',
    rosterNew: 'new',
    rosterTakeOut_one: 'Take {{count}} student who is no longer in the package out of their class',
    rosterTakeOut_other: 'Take {{count}} students who are no longer in the package out of their classes',
    rosterTake: 'Take it in',
    rosterTaking: 'Taking it in…',
    rosterTaken:
      'People and classes are as in the package. Invite new teachers by their e-mail; students get cards or passwords from theirs.',
    rosterNotNow: 'Not now',
    rosterFaults_one: '{{count}} row cannot be used and is left out',
    rosterFaults_other: '{{count}} rows cannot be used and are left out',
    rosterFaultAt: '{{file}}, row {{row}}:',
    rosterMoreFaults_one: 'and {{count}} more',
    rosterMoreFaults_other: 'and {{count}} more',
    rosterFault: {
      idMissing: 'it has no id.',
      nameMissing: 'it has no name.',
      classUnknown: 'its class is not in the package.',
      personUnknown: 'its person is not in the package.',
      twice: 'its id is there twice.',
    },
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
