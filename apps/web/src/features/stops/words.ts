import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const stopsWords = {
  stops: {
    nothing: 'Nobody has answered anything yet',
    nothingHelp: 'As soon as answers come in, this page says what they have in common.',
    standsOut: 'What the answers have in common',
    nothingStandsOut: 'Nothing stands out so far.',
    questions: 'Questions',
    question: 'Question',
    answers: 'Answers',
    earned: 'Earned at first',
    tells: 'Tells them apart',
    time: 'Time',
    lookAt: 'What to look at',
    tooFew: 'too few answers to say',
    waiting_one: '{{count}} to mark',
    waiting_other: '{{count}} to mark',
    opinion: 'no points',
    reliability:
      'The questions hang together with {{alpha}} (Cronbach’s alpha: 0 not at all, 1 wholly; {{students}} students, {{questions}} questions).',
    unreliable: 'The questions do not hang together: who does well in some does badly in others.',
    tellsHelp:
      'Whether those who did well elsewhere did well here: 1 wholly, 0 not at all, below 0 the other way round.',
    open: 'Look at the answers to question {{number}}: {{words}}',
    number: 'Question {{number}}',
    first: 'Of several tries, the first one counts here.',
    compare: 'Earned at first, by class',
    ofClass: '{{name}} ({{count}} begun)',
    mark: 'See and mark the answers one by one',
    correctKey: 'Look at the key',
    figures: 'Figures',
    upperLower: 'The best 27% less the last 27%',
    median: 'Time at the stop, half took less',
    sure: 'Sure or certain',
    sureWords: '{{count}}, of whom {{wrong}} were wrong',
    count: '{{count}} of {{all}}',
    best: 'Of the best 27%',
    last: 'Of the last 27%',
    took: 'Chose it',
    answer: 'Answer',
    choose: 'Those who gave “{{words}}”',
    gave_one: '{{count}} student gave “{{words}}” at first.',
    gave_other: '{{count}} students gave “{{words}}” at first.',
    lastTry: 'What they gave in the end, not at first',
    gaveLast_one: '{{count}} student gave “{{words}}” in the end.',
    gaveLast_other: '{{count}} students gave “{{words}}” in the end.',
    ownWords: 'Everybody answers this in their own way; the answers stand where they are marked.',
    right: 'right',
    close: 'Close',
  },
  wordPicture: {
    title_one: 'Words of {{count}} answer',
    title_other: 'Words of {{count}} answers',
    leaveOut_one: '“{{word}}”, in {{count}} answer: leave it out',
    leaveOut_other: '“{{word}}”, in {{count}} answers: leave it out',
    leftOut: 'Left out:',
    putBack: 'Put “{{word}}” back',
    list: 'As a list',
    word: 'Word',
    answers: 'Answers',
  },
  pairs: {
    title: 'What was put together',
    place: 'Place {{number}}',
  },
  heat: {
    areas_one: 'Where {{count}} answer pointed',
    areas_other: 'Where {{count}} answers pointed',
    points_one: 'Where {{count}} point was set',
    points_other: 'Where {{count}} points were set',
    area_one: 'Area {{number}}: {{count}} answer',
    area_other: 'Area {{number}}: {{count}} answers',
  },
  wall: {
    title_one: '{{count}} answer',
    title_other: '{{count}} answers beside each other',
  },
  finding: {
    lookAtKey: 'Students who did well overall chose “{{words}}”: look at the key.',
    sameWrong_one: '{{count}} student chose “{{words}}”.',
    sameWrong_other: '{{count}} students chose “{{words}}”.',
    hard: 'Few got this.',
    easy: 'Nearly everybody got this.',
    tellsNothing: 'Those who did well elsewhere did no better here.',
  },
  proposal: {
    sameMistake_one: '{{count}} chose “{{words}}” in question {{number}}',
    sameMistake_other: '{{count}} chose “{{words}}” in question {{number}}',
    twoMistakes_one: '{{count}} chose “{{words}}” in question {{number}}, and “{{others}}” in question {{otherNumber}}',
    twoMistakes_other:
      '{{count}} chose “{{words}}” in question {{number}}, and “{{others}}” in question {{otherNumber}}',
    sureAndWrong_one: '{{count}} was sure and wrong in question {{number}}',
    sureAndWrong_other: '{{count}} were sure and wrong in question {{number}}',
    needsHelp_one: '{{count}} earned less than {{share}} of the points',
    needsHelp_other: '{{count}} earned less than {{share}} of the points',
    raced_one: '{{count}} went through in a third of the usual time, with little right',
    raced_other: '{{count}} went through in a third of the usual time, with little right',
    groupMistake: 'Once more: {{words}}',
    groupSure: 'Sure, and not right: question {{number}}',
    groupHelp: 'Needs help',
    groupRaced: 'Slower, once more',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly stops: typeof stopsWords;
  }
}
addWords(stopsWords);
