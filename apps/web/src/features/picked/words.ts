import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const pickedWords = {
  picked: {
    students_one: '{{count}} student',
    students_other: '{{count}} students',
    group: 'Make a group …',
    give: 'Give them …',
    nudge: 'Nudge',
    nudged_one: '{{count}} student is reminded, once today.',
    nudged_other: '{{count}} students are reminded, each once today.',
    talk: 'Copy for a talk',
    talkList: 'To talk with: {{names}}. {{reason}}',
    copied: 'The list is on the clipboard.',
    notCopied: 'The browser does not let it be copied. Here it is, to be marked and copied:',
    and: 'and {{count}} more',
  },
  intoGroup: {
    title: 'Into a group',
    help: 'Those who need the same, so that you can give them something together.',
    name: 'Name of the group',
    nameHelp: 'A group that there is already keeps those who are in it.',
    notYours_one: '{{count}} of them is in no class of yours, and stays out of it.',
    notYours_other: '{{count}} of them are in no class of yours, and stay out of it.',
    put_one: 'Put {{count}} student in it',
    put_other: 'Put {{count}} students in it',
    done_one: '{{count}} student is in “{{name}}”.',
    done_other: '{{count}} students are in “{{name}}”.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly picked: typeof pickedWords;
  }
}
addWords(pickedWords);
