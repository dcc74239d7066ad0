import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const arrivingWords = {
  error: {
    alreadySetUp: 'This school is set up already. Sign in, or ask for an invitation.',
    setUpSecretWrong:
      'This address is not the one the server printed last. Start the server again, and open what it prints then.',
    invitationUnusable:
      'This invitation was used, was taken back, or is older than a week. Ask whoever sent it for a new one.',
  },
  arriving: {
    yourName: 'Your name',
    nameHelp: 'As your students know you.',
    nameHelpStudent: 'Your first and last name, so that your teacher knows who you are.',
    nameMissing: 'Enter your name.',
    email: 'E-mail',
    emailHelp: 'You sign in with it.',
    emailMissing: 'Enter an e-mail address.',
    password: 'Choose a password',
    passwordHelp: 'At least 8 characters. A few words are easier to remember than signs.',
    passwordShort: 'The password needs at least 8 characters.',
    userName: 'Choose a user name',
    userNameHelp: 'You sign in with it. Letters, digits and dots, no spaces.',
    userNameMissing: 'Enter a user name without spaces.',
    setUpTitle: 'Set up your school',
    setUpIntro: 'Name the school and say who you are. All of it can be changed later.',
    schoolPart: 'The school',
    youPart: 'You',
    schoolName: 'Name of the school',
    schoolNameMissing: 'Enter the name of the school.',
    timeZone: 'Time zone',
    timeZoneHelp: 'New classes keep this clock.',
    numbers: 'Numbers are written in',
    teaches: 'I also teach',
    teachesHelp: 'You look after the school. If you teach as well, you get classes and lessons too.',
    setUp: 'Set up the school',
    noSecretTitle: 'The address is not complete',
    noSecret: 'Open the whole address that the server printed when it started, with everything behind the #.',
    isSetUpTitle: 'This school is set up already',
    isSetUp: 'Sign in with your e-mail, or ask whoever looks after the school for an invitation.',
    toSignIn: 'Go to sign in',
    invitedTitle: 'Welcome to {{school}}',
    invitedIntro: 'You are invited as a teacher. Choose a password and you are in.',
    come: 'Come in',
    badInvitation: 'This invitation cannot be used',
    joinTitle: 'Join a class',
    joinIntro: 'Enter the code from your teacher.',
    code: 'Class code',
    codeHelp: 'Eight letters and digits. Capitals and spaces do not matter.',
    codeMissing: 'That is not a whole code yet: it has eight letters and digits.',
    look: 'Go on',
    otherCode: 'Another code',
    at: 'at {{school}}',
    asks: 'Your teacher lets everyone in one by one. You may have to wait a little.',
    joinAs: 'Join as {{name}}',
    notMe: 'That is not me',
    isStudentOnly:
      'You are signed in as {{name}}. This code is for students: teachers join a class when a colleague adds them.',
    haveAccount: 'I have a user name',
    amNew: 'I am new here',
    joinNew: 'Join the class',
    teachersTitle: 'Teach at {{school}}',
    teachersIntro: 'With this code teachers of the school make their account.',
    already: 'You are signed in as {{name}}. Sign out first to make another account.',
    openTitle: 'A lesson for guests',
    openBad: 'This link leads nowhere, or its teacher lets no more guests come.',
    openFrom: 'A lesson from {{teacher}}, {{school}}. You need no account.',
    openSignedIn: 'You are signed in as {{name}}. This link is for guests.',
    openSignOut: 'Sign out {{name}} and go on as a guest',
    guestName: 'What may we call you?',
    guestNameHelp: 'The teacher sees this name, marked as a guest’s.',
    guestKeptTitle: 'What is kept',
    guestKept:
      'The name you give, your answers and how you went through the lesson, for the teacher who sent the link. They can remove it at any time. You can go on only on this device, for 30 days at most.',
    guestBegin: 'Begin',
    cardTitle: 'Come in with your card',
    cardIntro: 'Type the four words from your card.',
    cardWords: 'The four words',
    cardWordsMissing: 'Type all four words.',
    cardOther: '{{name}} is signed in on this device.',
    goOnAs: 'Go on as {{name}}',
    useCard: 'Sign {{name}} out and use the card',
    cardLooking: 'Looking at your card…',
    cardGo: 'Come in',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly arriving: typeof arrivingWords;
  }
}
addWords(arrivingWords);
