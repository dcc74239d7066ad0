import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const masteryWords = {
  mastery: {
    title: 'Targets',
    empty: 'No question that this class was given names a target',
    emptyHelp: 'Name one under “More” of a question at the desk: a code of your list, or words of your own.',
    list: 'List of targets',
    student: 'Student',
    level: { met: 'met', nearly: 'nearly met', notMet: 'not met yet', none: 'too few answers to say' },
    levelTitle: { met: 'Met', nearly: 'Nearly met', notMet: 'Not met yet', none: 'Too few answers to say' },
    cell: '{{name}}, {{target}}: {{words}}',
    cellShare: '{{share}}, {{level}}',
    questions_one: '{{count}} question',
    questions_other: '{{count}} questions',
    nothing: '–',
    metBy: '{{met}} of {{count}}',
    metByTitle: 'Met, of those with enough answers',
    classRow: 'The class',
    nobody: 'Nobody has met “{{target}}” yet, of {{count}} with enough answers.',
    rule: 'Told from the latest {{most}} answers at most; each weighs two thirds of the one after it. Met from {{met}}, nearly from {{nearly}}. Fewer than {{least}} answers say nothing. Common practice.',
    legend: 'How it is told',
    evidence: 'Answers it is told from, the latest first',
    noEvidence: 'No answer yet.',
    stem: 'Question',
    lesson: 'Lesson',
    points: 'Points',
    when: 'When',
    cameBack: 'Came back to it',
    reason: '{{level}}: “{{target}}”.',
    group: '{{target}}, once more',
    hideNames: 'Hide names',
    anonymous: 'Student {{number}}',
    of: '{{name}}: {{target}}',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly mastery: typeof masteryWords;
  }
}
addWords(masteryWords);
