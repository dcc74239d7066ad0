import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const adjustingWords = {
  adjusting: {
    moreTime: 'More time',
    moreTimeFor: 'More time: {{for}}',
    day: '+ 1 day',
    week: '+ 1 week',
    until: 'Until',
    set: 'Set this date',
    noEnd: 'There is no due date to put off.',
    forOne: 'For {{name}}',
    forChosen_one: 'For the {{count}} you have chosen',
    forChosen_other: 'For the {{count}} you have chosen',
    forOpen_one: 'For {{count}} who has not handed in',
    forOpen_other: 'For {{count}} who have not handed in',
    forAll: 'For everyone',
    given_one: '{{count}} student has more time.',
    given_other: '{{count}} students have more time.',
    givenAll: 'Everyone has more time: due {{time}}.',
    newer: 'Edition {{number}} of this lesson is there; this was given as edition {{had}}.',
    newerFor_one:
      '{{count}} student has not begun and can have the new one. Whoever has begun keeps theirs until you decide otherwise.',
    newerFor_other:
      '{{count}} students have not begun and can have the new one. Whoever has begun keeps theirs until you decide otherwise.',
    swap_one: 'Give edition {{number}} to {{count}} who has not begun',
    swap_other: 'Give edition {{number}} to {{count}} who have not begun',
    alsoBegun_one: '{{count}} who has begun …',
    alsoBegun_other: '{{count}} who have begun …',
    swapTitle: 'Edition {{number}} for who has begun',
    swapHelp: 'Nothing is thrown away: going back to the edition of before brings everything back.',
    carried_one: '{{count}} answer stays',
    carried_other: '{{count}} answers stay',
    lost: 'The answer to “{{question}}” counts for nothing.',
    notHandedIn: 'It is no longer handed in.',
    pointsMove: '{{before}} become {{after}}',
    swapBegun_one: 'Give edition {{number}} to {{count}} who has begun',
    swapBegun_other: 'Give edition {{number}} to {{count}} who have begun',
    swapped_one: '{{count}} student gets edition {{number}}.',
    swapped_other: '{{count}} students get edition {{number}}.',
    undo: 'Undo',
    anotherAttempt: 'Another attempt',
    attemptGiven: '{{name}} may begin once more.',
    isStudent: 'This is a student of mine …',
    matchTitle: 'Who is {{name}}?',
    matchHelp:
      'All they did here becomes that student’s, behind what the student has already done. The guest is gone then.',
    whoIs: 'Student',
    match: 'It is this student',
    matched: 'What {{name}} did is {{to}}’s now.',
    removeGuest: 'Remove the guest',
    removeGuestOf: 'Remove {{name}}',
    removeGuestHelp: 'They go with all they did here, and nothing brings it back.',
    guestRemoved: '{{name}} is removed.',
    lateTitle_one: '{{count}} student came after it was due',
    lateTitle_other: '{{count}} students came after it was due',
    lateGive: 'A week for them, from now',
    lateGiven_one: '{{count}} student has a week from now.',
    lateGiven_other: '{{count}} students have a week from now.',
    nudge: 'Remind',
    nudged: '{{name}} is reminded, once a day at most.',
    excuse: 'Excuse',
    unexcuse: 'No longer excused',
    own: 'Different for {{name}}',
    ownDates: 'own dates',
    endOwn: 'End their own dates',
    reason: 'Why (only teachers see it)',
    by: 'by {{name}}, {{time}}',
    kind: {
      extended: 'Due {{time}}',
      extendedNoDue: 'No due date',
      extensionEnded: 'Dates of everyone again',
      excused: 'Excused',
      excusalEnded: 'No longer excused',
      anotherAttempt: 'One more attempt',
      editionSwapped: 'Another edition',
    },
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly adjusting: typeof adjustingWords;
  }
}
addWords(adjustingWords);
