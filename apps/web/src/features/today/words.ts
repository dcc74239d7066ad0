import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const todayWords = {
  place: {
    today: 'Today',
    shelf: 'Shelf',
    classes: 'Classes',
    school: 'School',
  },
  today: {
    title: 'Today',
    stuck_one: 'Help {{count}} who is stuck',
    stuck_other: 'Help {{count}} who are stuck',
    needs: 'Needs you',
    running: 'Given out',
    drafts: 'Drafts to continue',
    nothing: 'Nothing needs you right now',
    noAssignments: 'Nothing given out yet',
    noAssignmentsHelp: 'Lessons you assign appear here, with whom to help and what to mark.',
    toShelf: 'Go to the shelf',
    week: 'Week',
    give: 'Give a lesson',
    goOn: 'Go on',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly today: typeof todayWords;
  }
}
addWords(todayWords);
