import type { AttemptEvent, LearnerEventBody, TeacherEventBody } from '../attempt/attempt-event.ts';
import type { Inset, Lesson, Narration } from '../lesson/lesson.ts';
import type { ChoiceQuestion, ExtendedTextQuestion } from '../question/question.ts';

export const pickOne: ChoiceQuestion = {
  id: 'q-one',
  kind: 'choice',
  stem: 'Which force squeezes?',
  points: 200,
  multiple: false,
  options: [
    { id: 'o-tension', text: 'Tension', correct: false, feedback: 'SECRET feedback tension' },
    { id: 'o-compression', text: 'Compression', correct: true, feedback: 'SECRET feedback compression' },
  ],
  teacherNote: 'SECRET note one',
};

export const pickMultiple: ChoiceQuestion = {
  id: 'q-several',
  kind: 'choice',
  stem: 'Which parts are in tension?',
  points: 300,
  multiple: true,
  options: [
    { id: 'o-cable', text: 'Cable', correct: true, feedback: '' },
    { id: 'o-hanger', text: 'Hanger', correct: true, feedback: 'SECRET feedback hanger' },
    { id: 'o-tower', text: 'Tower', correct: false, feedback: 'SECRET feedback tower' },
  ],
  teacherNote: 'SECRET note several',
};

export const written: ExtendedTextQuestion = {
  id: 'q-written',
  kind: 'extendedText',
  stem: 'Why do plain beams suit short spans?',
  points: 400,
  modelAnswer: 'SECRET model answer',
  teacherNote: 'SECRET note written',
};

/** A minute of film, trimmed to 10–50 s: a checkpoint at 20 s, a pause at 30 s, a checkpoint of two at 40 s. */
export const bridgeLesson: Lesson = {
  title: 'How bridges carry load',
  parts: [
    {
      id: 'clip',
      kind: 'clip',
      title: 'Film',
      materialId: 'film',
      inMs: 10_000,
      outMs: 50_000,
      stops: [
        { id: 's-two', kind: 'checkpoint', atMs: 40_000, required: true, questions: [pickMultiple, written] },
        { id: 's-one', kind: 'checkpoint', atMs: 20_000, required: true, questions: [pickOne] },
        { id: 's-pause', kind: 'pause', atMs: 30_000, note: 'Look at the arch.' },
      ],
    },
  ],
};

export const narration: Narration = {
  id: 'n-beam',
  materialId: 'voice',
  words: 'Watch the middle of the beam.',
  atMs: 25_000,
  lengthMs: 4_000,
  filmSound: 'quiet',
};

export const inset: Inset = {
  id: 'i-film',
  atMs: 1_000,
  anchor: { blockId: 'a', number: 1 },
  materialId: 'film',
  title: 'The beam',
};

/** Makes events of one sitting, numbered as a browser numbers them. Times default to a minute a step. */
export function createSitting(sittingId: string, startAt = 1_000_000) {
  let n = 0;
  return (body: LearnerEventBody | TeacherEventBody, at = startAt + n * 60_000): AttemptEvent => ({
    ...body,
    id: `${sittingId}-${n}`,
    sittingId,
    n: n++,
    at,
    receivedAt: at,
  });
}

/** Bodies of a whole honest walk through the bridge lesson. */
export const wholeWalk: readonly LearnerEventBody[] = [
  { type: 'opened' },
  { type: 'met', partId: 'clip', fromMs: 10_000, toMs: 20_000, rate: 1 },
  { type: 'reachedStop', stopId: 's-one' },
  { type: 'answered', stopId: 's-one', responses: { 'q-one': { kind: 'choice', optionIds: ['o-compression'] } } },
  { type: 'met', partId: 'clip', fromMs: 20_000, toMs: 30_000, rate: 1 },
  { type: 'reachedStop', stopId: 's-pause' },
  { type: 'acknowledged', stopId: 's-pause' },
  { type: 'met', partId: 'clip', fromMs: 30_000, toMs: 40_000, rate: 1 },
  { type: 'reachedStop', stopId: 's-two' },
  {
    type: 'draftSaved',
    stopId: 's-two',
    questionId: 'q-written',
    response: { kind: 'extendedText', text: 'Because the' },
  },
  {
    type: 'answered',
    stopId: 's-two',
    responses: {
      'q-several': { kind: 'choice', optionIds: ['o-cable', 'o-tower'] },
      'q-written': { kind: 'extendedText', text: 'Because the weight bends them.' },
    },
  },
  { type: 'met', partId: 'clip', fromMs: 40_000, toMs: 50_000, rate: 1 },
  { type: 'handedIn' },
];
