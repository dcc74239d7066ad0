import type { Question, QuestionKind } from '../question/question.ts';

/** What every question of `everyKind` keeps from students until it is earned, in words a search can find. */
const secretHead = {
  points: 400,
  teacherNote: 'SECRET note',
  modelAnswer: 'SECRET model answer',
  hint: { text: 'SECRET hint', cost: 50 },
  feedback: { correct: 'SECRET said when right', partly: 'SECRET said when partly', wrong: 'SECRET said when wrong' },
  target: 'SECRET target',
};

const picture = { materialId: 'picture', alt: 'A bridge with four marked places' };
const box = (id: string, left: number) => ({
  id,
  shape: 'rect' as const,
  coords: [left, 1_000, left + 1_000, 2_000],
  label: `Place ${id}`,
});
const item = (id: string, text: string) => ({ id, text });

/** One question of each kind. Ids say nothing of what is right. */
export const everyKind: { readonly [K in QuestionKind]: Extract<Question, { kind: K }> } = {
  choice: {
    ...secretHead,
    ...{ id: 'q-choice', kind: 'choice', stem: 'Which are in tension?', multiple: true, shuffle: true },
    options: [
      { id: 'c1', text: 'Cable', correct: true, feedback: 'SECRET cable' },
      { id: 'c2', text: 'Tower', correct: false, feedback: 'SECRET tower' },
      { id: 'c3', text: 'Hanger', correct: true, feedback: 'SECRET hanger' },
    ],
  },
  poll: {
    ...secretHead,
    ...{ id: 'q-poll', kind: 'poll', stem: 'Which would you cross?', multiple: false, points: 0 },
    options: [item('p1', 'The rope bridge'), item('p2', 'The stone arch')],
  },
  inlineChoice: {
    ...secretHead,
    ...{ id: 'q-inline', kind: 'inlineChoice', stem: 'Choose the words.' },
    pieces: [{ text: 'The top is in ' }, { gapId: 'i1' }, { text: ', the bottom in ' }, { gapId: 'i2' }, { text: '.' }],
    gaps: [
      { id: 'i1', options: [item('ia', 'tension'), item('ib', 'compression')], correctId: 'ib' },
      { id: 'i2', options: [item('ic', 'tension'), item('id', 'compression')], correctId: 'ic' },
    ],
  },
  gapMatch: {
    ...secretHead,
    ...{ id: 'q-gapMatch', kind: 'gapMatch', stem: 'Put the words where they belong.' },
    pieces: [{ text: 'A cable is ' }, { gapId: 'g1' }, { text: ', a tower ' }, { gapId: 'g2' }],
    words: [item('w1', 'squeezed'), item('w2', 'pulled'), item('w3', 'painted')],
    gaps: [
      { id: 'g1', correctIds: ['w2'] },
      { id: 'g2', correctIds: ['w1'] },
    ],
  },
  textEntry: {
    ...secretHead,
    ...{ id: 'q-textEntry', kind: 'textEntry', stem: 'Fill in.' },
    pieces: [{ text: 'The push at the feet of an arch is called ' }, { gapId: 't1' }],
    gaps: [
      {
        id: 't1',
        accepted: [
          { text: 'SECRET thrust', percent: 100 },
          { text: 'SECRET push', percent: 50 },
        ],
      },
    ],
    tolerance: { caseMatters: false, accentsMatter: false, slips: 1 },
  },
  numeric: {
    ...secretHead,
    ...{ id: 'q-numeric', kind: 'numeric', stem: 'What load does it carry?', unit: 'kN', unitNeeded: true },
    value: 3.2345678,
    tolerance: { kind: 'relative', percent: 1 },
  },
  order: {
    ...secretHead,
    ...{ id: 'q-order', kind: 'order', stem: 'Follow the load.', scoring: 'pairs' },
    items: [item('o4', 'Deck'), item('o2', 'Hangers'), item('o3', 'Cable'), item('o1', 'Towers')],
  },
  match: {
    ...secretHead,
    ...{ id: 'q-match', kind: 'match', stem: 'What carries the deck?' },
    sources: [item('l1', 'Arch bridge'), item('l2', 'Suspension bridge')],
    targets: [item('r1', 'Hangers'), item('r2', 'Stone'), item('r3', 'Water')],
    pairs: [
      ['l1', 'r2'],
      ['l2', 'r1'],
    ],
  },
  associate: {
    ...secretHead,
    ...{ id: 'q-associate', kind: 'associate', stem: 'Which belong together?' },
    items: [item('a1', 'squeeze'), item('a2', 'pull'), item('a3', 'compression'), item('a4', 'tension')],
    pairs: [
      ['a1', 'a3'],
      ['a4', 'a2'],
    ],
  },
  hottext: {
    ...secretHead,
    ...{ id: 'q-hottext', kind: 'hottext', stem: 'Point at the parts in tension.', multiple: true },
    words: [
      { id: 'h1', text: 'The ', standing: 'plain' },
      { id: 'h2', text: 'cable', standing: 'correct' },
      { id: 'h3', text: ' pulls at the ', standing: 'plain' },
      { id: 'h4', text: 'tower', standing: 'wrong' },
    ],
  },
  hotspot: {
    ...secretHead,
    ...{ id: 'q-hotspot', kind: 'hotspot', stem: 'Where is it squeezed?', multiple: true, picture },
    areas: [
      { ...box('s1', 1_000), correct: true },
      { ...box('s2', 3_000), correct: false },
      { ...box('s3', 5_000), correct: true },
    ],
  },
  selectPoint: {
    ...secretHead,
    ...{ id: 'q-selectPoint', kind: 'selectPoint', stem: 'Set a point on each foot.', picture, maxPoints: 2 },
    areas: [
      { ...box('k1', 1_000), label: 'SECRET left foot' },
      { ...box('k2', 7_000), shape: 'ellipse', label: 'SECRET right foot' },
    ],
  },
  graphicGapMatch: {
    ...secretHead,
    ...{ id: 'q-labels', kind: 'graphicGapMatch', stem: 'Label it.', picture },
    words: [item('x1', 'Deck'), item('x2', 'Tower')],
    areas: [
      { ...box('y1', 1_000), correctIds: ['x2'] },
      { ...box('y2', 3_000), correctIds: ['x1'] },
    ],
  },
  slider: {
    ...secretHead,
    ...{ id: 'q-slider', kind: 'slider', stem: 'How many towers?', minLabel: 'none', maxLabel: 'many' },
    ...{ min: 0, max: 10, step: 1, key: { from: 2, to: 2 } },
  },
  extendedText: {
    ...secretHead,
    ...{ id: 'q-written', kind: 'extendedText', stem: 'Why?', wordBox: ['load'], starters: ['Because'] },
    wordRange: { min: 5, max: null },
  },
  drawing: { ...secretHead, id: 'q-drawing', kind: 'drawing', stem: 'Draw the load.', picture, ground: 'picture' },
  upload: { ...secretHead, id: 'q-upload', kind: 'upload', stem: 'Hand in your sketch.', maxFiles: 2 },
  record: { ...secretHead, id: 'q-record', kind: 'record', stem: 'Explain.', withPicture: false, longestMs: 60_000 },
  discussion: { ...secretHead, id: 'q-discussion', kind: 'discussion', stem: 'Which is best?' },
};
