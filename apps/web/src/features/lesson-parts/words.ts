import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const lessonPartsWords = {
  bundle: {
    practice: 'Practise',
    task: 'Task',
    extra: 'Something extra',
    more: 'Do you want to do something extra?',
    yes: 'Yes, one more',
    no: 'No, go on',
  },
  desk: {
    checkpoint: 'Checkpoint',
    pause: 'Pause',
    fork: 'Fork',
    board: 'Board',
    removeOption: 'Take out answer {{number}}',
    modelAnswer: 'Model answer, for you only',
    more: 'Notes for you',
    timeUnreadable: 'Write a time such as 1:05.',
    windowImpossible: 'In must come before out, and both within the film.',
    chooseMaterial: 'Choose from the shelf',
  },
  fault: {
    titleMissing: 'The lesson has no title.',
    partsMissing: 'There is nothing in this lesson yet: add a part.',
    materialMissing: 'The material of this part is no longer on the shelf.',
    recordingMissing: 'A recording or a picture is no longer on the shelf.',
    windowBeyondEnd: 'The window goes beyond the end of the material.',
    stopOutsideWindow: 'This stop is outside the window, so nobody would reach it.',
    questionsMissing: 'This checkpoint has no question.',
    taskEmpty: 'This task has no questions yet.',
    choicesTooFew: 'A fork needs at least two ways.',
    choiceWordsMissing: 'A fork says nothing, or one of its ways has no words.',
    partUnreachable: 'Nobody can reach this part: no way leads to it.',
    wayNowhere:
      'A way leads to a part or a stop that is gone, or to a place outside the window: choose where it leads.',
    noWayOut: 'From here no way leads to the end: let one go on, or to the end of the lesson.',
    backNowhere: 'This part leads back, and nobody was led into it: let its end go on.',
    tooDeep: 'Parts that lead back lead into each other without end.',
    freeWithTurns: 'Parts that may be taken in any order can have no forks, rules or ways of their own.',
    tilesMissing: 'This board has no tiles.',
    tileTitleMissing: 'A tile of this board has no title.',
    tileAddressUnusable: 'A tile leads to an address that does not begin with https:// or http://.',
    boardImpossible: 'This board asks for more than its tiles can give.',
    ruleAnswerGone: 'A rule looks at a question or an answer that is gone: choose another, or remove the rule.',
    tileGoesOn: 'A tile leads to a part from which nobody comes back: let that part lead back.',
    lessonMissing: 'The lesson that is shown here has no such edition, or is gone.',
    lessonLoop: 'The lesson that is shown here shows this one: they would lead into each other without end.',
    routeStuck: 'On one of the routes a student would get stuck here.',
    pickTooMany: 'This gives students more questions than there are.',
    noteMissing: 'This pause has no note.',
    stemMissing: 'This question has no words.',
    optionsTooFew: 'There must be at least two answers to pick from.',
    optionTextMissing: 'An answer has no words.',
    optionsAlike: 'Two answers say the same.',
    rightAnswerMissing: 'No answer is marked as right.',
    rightAnswersTooMany: 'Only one answer can be right where one is picked.',
    everyOptionRight: 'Every answer is right, so there is nothing to find out.',
    gapsMissing: 'The text has no gap: put what belongs in one in square brackets.',
    gapAnswerMissing: 'A gap has nothing that belongs in it.',
    pictureMissing: 'This question needs a picture.',
    areasMissing: 'No place on the picture is marked.',
    areaLabelMissing: 'A place on the picture has no words.',
    unitUnknown: 'This unit is not known. Write it as in kN, m/s^2 or °C.',
    scaleUpsideDown: 'The scale must go from a smaller to a greater number, in steps above zero.',
    keyOutsideScale: 'What is right is not on the scale.',
    opinionWithPoints: 'An opinion cannot carry points.',
    wordRangeUpsideDown: 'The minimum number of words is above the maximum.',
    hintMissing: 'The hint has no words.',
    rubricUneven: 'The best levels of the rubric do not add up to the points of the question.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly lessonParts: typeof lessonPartsWords;
  }
}
addWords(lessonPartsWords);
