import { addWords } from './words.ts';

/** What is said all over the pages of who teaches or looks after a school, and on no page of a student, who loads none of it. */
export const staffWords = {
  app: {
    redo: 'Redo',
    typeName: 'Type “{{name}}”, so that it is this one',
  },
  error: {
    rosterMoved: 'The class was changed by somebody else in the meantime. Look at the list again; nothing was lost.',
    rosterFaulty: 'Some rows cannot be taken in. Nothing was changed.',
    lastTeacher: 'A class is never without a teacher. Add another one first.',
    lastAdmin: 'Somebody has to look after the school. Make somebody else an admin first.',
    gradebookMoved: 'Somebody changed how it is counted in the meantime. Open it again to see how.',
    gradeTooHigh: 'That is more than ten times what there is to earn. Look at the number again.',
    keptFull: 'A hundred versions are kept already. Remove one that nobody needs any more.',
    draftMoved: 'This lesson was changed somewhere else in the meantime.',
    changeImpossible: 'This cannot be done, because it is in use or no longer there. Nothing was changed.',
    picturesWithoutAlt: 'Some pictures have no words yet.',
    lessonIncomplete: 'Something is still missing before an edition can be made.',
    windowOutOfOrder: 'The dates are out of order: it must open before it is due, and close no earlier than it is due.',
    nameNotSame: 'That is not the name.',
    termsFixed: 'Students have begun, so that these terms can no longer be changed.',
    alreadyGiven: 'This lesson was given to them already.',
    givenToOthers:
      'This was also given to a class that you do not teach. Whoever teaches all of its classes can do this; the dates of your own class you can change yourself.',
    recordStoreSilent:
      'The record store is not answering, or does not let us in. Nothing is lost: send it again later.',
    catalogueSilent: 'The catalogue is not answering. Try again in a moment.',
    captionsUnreadable: 'No captions could be read from this file. The ones you had are unchanged.',
    packageUnreadable: 'No questions could be read from this file. Nothing was changed.',
    answerMissing: 'There is no answer here to mark.',
    pointsOutOfRange: 'That is more points than the question is worth.',
  },
  date: {
    none: 'No limit',
    dayNotRead: 'Write a day such as “14.3.” or “next Fri”.',
    notRead: 'Write a date such as “14.3.”, “next Fri” or “in 3 days”, with a time if you like.',
    calendarFor: '{{label}}: calendar',
    skipped: 'At {{time}} the clocks go forward that day, so it will be {{real}}.',
  },
} as const;

declare module './words.ts' {
  interface Catalogues {
    readonly staffWords: typeof staffWords;
  }
}
addWords(staffWords);
