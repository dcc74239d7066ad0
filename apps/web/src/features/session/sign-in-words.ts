import { addWords } from '../../words/words.ts';

/** The words of signing in, loaded with its form. */
export const signInWords = {
  signIn: {
    name: 'E-mail or user name',
    nameHelp: 'Teachers use their e-mail, students their user name.',
    password: 'Password',
    submit: 'Sign in',
    nameMissing: 'Enter your e-mail or user name.',
    passwordMissing: 'Enter your password.',
    school: 'Your school',
    card: 'I have a card',
    code: 'I have a class code',
    emptyTitle: 'There is no school here yet',
    empty: 'Open the address that the server printed when it started, and set the school up.',
    demoTitle: 'Look around the demo school',
    demoTeachers: 'As one of the staff',
    demoStudents: 'As a student',
    tagline: 'Films and texts become lessons that stop where thinking should happen.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly signIn: typeof signInWords;
  }
}
addWords(signInWords);
