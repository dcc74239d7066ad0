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
    wroteBack_one: 'Answer {{count}} who wrote back',
    wroteBack_other: 'Answer {{count}} who wrote back',
    nothing: 'Nothing needs you right now',
    nudge_one: 'Nudge {{count}} past the date',
    nudge_other: 'Nudge {{count}} past the date',
    nudged_one: '{{count}} student is reminded, once today.',
    nudged_other: '{{count}} students are reminded, each once today.',
    nobodyOverdue: 'Everybody has handed in by now.',
    waitsSince: 'the first {{ago}}',
    cameInSince: 'Came in since {{time}}',
    cameIn_one: '{{count}} handed in',
    cameIn_other: '{{count}} handed in',
    look: 'Look at them',
    dates: 'On the clock today',
    stillOut_one: '{{count}} has not handed in',
    stillOut_other: '{{count}} have not handed in',
    lookBack: 'Look back',
    noAssignments: 'Nothing given out yet',
    noAssignmentsHelp: 'Lessons you assign appear here, with whom to help and what to mark.',
    toShelf: 'Go to the shelf',
    week: 'Week',
    give: 'Give a lesson',
    goOn: 'Go on',
  },
  onClock: {
    opens: 'Opens {{time}}',
    due: 'Due {{time}}',
    closes: 'Closes {{time}}',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly today: typeof todayWords;
  }
}
addWords(todayWords);
