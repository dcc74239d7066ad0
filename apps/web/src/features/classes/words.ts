import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const classesWords = {
  classes: {
    title: 'Classes',
    students_one: '{{count}} student',
    students_other: '{{count}} students',
    empty: 'You have no classes yet',
    studentsTitle: 'Students',
    assignmentsTitle: 'Given to this class',
    noAssignments: 'Nothing has been given to this class yet.',
    userName: 'User name',
    numbers: 'Numbers are written in',
    extraTime: 'Extra time',
    groups: 'Groups',
    groupsOf: 'Groups of {{name}}',
    groupsHelp:
      'Names, separated by commas. A lesson can offer parts, ways and tiles to some groups only, and send a group its own way. What students have begun stays as it is.',
    extraTimeOf: 'Extra time for {{name}}',
    noExtraTime: 'None',
    moreTime: '{{percent}} % more',
    name: 'Name',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly classes: typeof classesWords;
  }
}
addWords(classesWords);
