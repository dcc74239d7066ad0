import { describe, expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import type { EventBody, LearnerEventBody } from '../attempt/attempt-event.ts';
import { type AttemptState, beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { everyKind } from '../examples/every-kind.ts';
import { lessonOf } from '../examples/kinds-lesson.ts';
import { learnerView } from '../learner/learner-view.ts';
import { showsTheSame } from '../learner/shows-the-same.ts';
import { correctResponse } from '../marking/correct-response.ts';
import { createContext } from '../own-lesson/create-context.ts';
import type { Question } from '../question/question.ts';
import type { Response } from '../question/response.ts';
import { stopMarkOf } from '../sheet/stop-mark.ts';
import { createSitting, pickOne, written } from '../test/bridge-lesson.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';
import { takeIn } from './take-in.ts';

const startAt = 1_000_000;
const wrong: Response = { kind: 'choice', optionIds: ['o-tension'] };
const right: Response = { kind: 'choice', optionIds: ['o-compression'] };
const text = (words: string): Response => ({ kind: 'extendedText', text: words });

/** A student at a stop that asks these questions, and what becomes of what they do. */
function at(questions: readonly Question[], context: WalkContext = createContext(lessonOf(questions), defaultTerms)) {
  const lesson = lessonOf(questions);
  const event = createSitting('a', startAt);
  const teacher = createSitting('teacher', startAt);
  let state: AttemptState = beginAttempt({ begunAt: startAt, secret: 'of a test' });
  const take = (body: EventBody, when: number = startAt, from = event) => {
    const result = takeIn(context, state, from(body as LearnerEventBody, when));
    state = result.state;
    return result.outcome.kind === 'refused' ? result.outcome.reason : result.outcome.kind;
  };
  take({ type: 'reachedStop', stopId: 'stop' });
  return {
    take,
    answer: (responses: Record<string, Response>, when?: number) =>
      take({ type: 'answered', stopId: 'stop', responses }, when),
    teach: (body: EventBody) => take(body, startAt, teacher),
    stop: () => state.stops.stop,
    answerTo: (questionId: string) => state.stops.stop?.answers[questionId],
    view: () => learnerView(lesson, state, {}, allShown),
    state: () => state,
  };
}

describe('several tries', () => {
  const asked = { ...pickOne, tries: { count: 3, laterPercent: 50 }, feedback: { wrong: 'Look again.' } };

  test('a wrong answer keeps the stop open, says what it earned to say, and does not give the key away', () => {
    const student = at([asked]);
    expect(student.answer({ 'q-one': wrong })).toBe('taken');
    expect(student.stop()?.phase).toBe('open');
    const result = student.view().results['q-one'];
    expect(result).toMatchObject({ points: 0, answerKey: null, said: 'Look again.', mayTryAgain: true });
    expect(JSON.stringify(student.view())).not.toContain('SECRET feedback compression');
  });

  test('a later try is worth what the teacher said, and both are kept', () => {
    const student = at([asked]);
    student.answer({ 'q-one': wrong });
    student.answer({ 'q-one': right });
    expect(student.stop()?.phase).toBe('answered');
    expect(student.answerTo('q-one')).toEqual({
      response: right,
      points: 100,
      earned: 200,
      markedBy: 'program',
      comment: null,
      earlier: [{ response: wrong, points: 0, comment: null, because: 'tried' }],
    });
  });

  test('the last try ends it, and so does leaving it at that', () => {
    const student = at([asked]);
    for (let i = 0; i < 3; i++) expect(student.answer({ 'q-one': wrong })).toBe('taken');
    expect(student.stop()?.phase).toBe('answered');
    const other = at([asked]);
    expect(other.take({ type: 'kept', stopId: 'stop' })).toBe('notAnswered');
    other.answer({ 'q-one': wrong });
    expect(other.take({ type: 'kept', stopId: 'stop' })).toBe('taken');
    expect(other.stop()?.phase).toBe('answered');
    expect(other.view().results['q-one']?.answerKey).toEqual(right);
  });

  test('trying again never takes points away, and what was right is not asked again', () => {
    const several = { ...everyKind.choice, tries: { count: 2, laterPercent: 50 }, hint: undefined };
    const student = at([several, asked]);
    student.answer({ 'q-choice': { kind: 'choice', optionIds: ['c1'] }, 'q-one': right });
    expect(student.answerTo('q-choice')?.points).toBe(200);
    student.answer({ 'q-choice': { kind: 'choice', optionIds: ['c2'] }, 'q-one': wrong });
    expect(student.answerTo('q-choice')?.points).toBe(200);
    expect(student.answerTo('q-one')).toMatchObject({ response: right, points: 200 });
    expect(student.stop()?.phase).toBe('answered');
  });

  test('a browser, which has no key, waits for the server with the stop open', () => {
    const blind: WalkContext = { ...createContext(lessonOf([asked]), defaultTerms), mark: () => null };
    const student = at([asked], blind);
    student.answer({ 'q-one': wrong });
    expect(student.stop()?.phase).toBe('open');
    expect(student.answerTo('q-one')?.points).toBeNull();
  });

  test('passing on, or handing in, leaves what was answered as it is', () => {
    const terms = { ...defaultTerms, skipping: true };
    for (const leave of [{ type: 'passedStop', stopId: 'stop' }, { type: 'handedIn' }] as const) {
      const student = at([asked], createContext(lessonOf([asked]), terms));
      student.answer({ 'q-one': wrong });
      expect(student.take(leave)).toBe('taken');
      expect(student.stop()?.phase).toBe('answered');
      expect(student.view().results['q-one']?.answerKey).toEqual(right);
    }
  });

  test('a written answer is tried once: a teacher gives it back', () => {
    const student = at([{ ...written, tries: { count: 3, laterPercent: 50 } }]);
    student.answer({ 'q-written': text('It bends.') });
    expect(student.stop()?.phase).toBe('answered');
  });
});

describe('hints', () => {
  const asked = { ...pickOne, hint: { text: 'SECRET hint', cost: 50 } };

  test('a hint is seen once asked for, and costs what was said', () => {
    const student = at([asked]);
    expect(JSON.stringify(student.view())).not.toContain('SECRET hint');
    expect(student.view().lesson.parts[0]?.stops[0]).toMatchObject({ questions: [{ hintCost: 50 }] });
    expect(student.take({ type: 'hintTaken', stopId: 'stop', questionId: 'q-one' })).toBe('taken');
    expect(student.view().hints).toEqual({ 'q-one': 'SECRET hint' });
    student.answer({ 'q-one': right });
    expect(student.answerTo('q-one')).toMatchObject({ points: 150, earned: 200 });
    expect(student.view().results['q-one']?.points).toBe(150);
  });

  test('a hint never leads below nothing, and there is none where none is', () => {
    const student = at([{ ...asked, hint: { text: 'Hint', cost: 500 } }, written]);
    student.take({ type: 'hintTaken', stopId: 'stop', questionId: 'q-one' });
    expect(student.take({ type: 'hintTaken', stopId: 'stop', questionId: 'q-written' })).toBe('noHint');
    student.answer({ 'q-one': right, 'q-written': text('So.') });
    expect(student.answerTo('q-one')?.points).toBe(0);
  });
});

describe('questions that may stay blank', () => {
  test('are left out, and earn nothing', () => {
    const student = at([pickOne, { ...written, mayBeBlank: true }]);
    expect(student.answer({ 'q-written': text('So.') })).toBe('blank');
    expect(student.answer({ 'q-one': right })).toBe('taken');
    expect(student.answerTo('q-written')).toBeUndefined();
    expect(stopMarkOf(lessonOf([pickOne, written]).parts[0]?.stops[0] as never, student.stop()).state).toBe('partial');
  });
});

describe('questions that are timed', () => {
  const asked = { ...pickOne, timeLimitMs: 60_000 };

  test('what was picked in time counts, what comes later does not', () => {
    const student = at([asked]);
    const draft = (response: Response, when: number) =>
      student.take({ type: 'draftSaved', stopId: 'stop', questionId: 'q-one', response }, when);
    expect(draft(wrong, startAt + 30_000)).toBe('taken');
    expect(draft(right, startAt + 80_000)).toBe('timeUp');
    expect(student.answer({ 'q-one': right }, startAt + 80_000)).toBe('taken');
    expect(student.answerTo('q-one')).toMatchObject({ response: wrong, points: 0 });
    expect(student.stop()?.phase).toBe('answered');
  });

  test('nothing picked in time settles the stop without an answer', () => {
    const student = at([asked]);
    expect(student.answer({ 'q-one': right }, startAt + 80_000)).toBe('taken');
    expect(student.stop()).toMatchObject({ phase: 'answered', answers: {} });
  });

  test('a student with extra time has it on the clock of the server', () => {
    const student = at([asked]);
    expect(student.teach({ type: 'extended', extraTime: 1.5, by: 't' })).toBe('taken');
    expect(student.answer({ 'q-one': right }, startAt + 90_000)).toBe('taken');
    expect(student.answerTo('q-one')?.points).toBe(200);
  });
});

describe('giving back', () => {
  test('an answer that was given back is worked on again, whatever has happened since, and both are kept', () => {
    const student = at([written]);
    const on = { stopId: 'stop', questionId: 'q-written' };
    student.answer({ 'q-written': text('It bends.') });
    expect(student.take({ type: 'revised', ...on, response: text('More.') })).toBe('notReturned');
    student.teach({ type: 'marked', ...on, points: 100, by: 't' });
    student.teach({ type: 'commented', ...on, text: 'Say why.', by: 't' });
    expect(student.teach({ type: 'returned', ...on, by: 't' })).toBe('taken');
    expect(student.take({ type: 'draftSaved', ...on, response: text('It bends, bec') })).toBe('taken');
    expect(student.stop()?.drafts).toEqual({ 'q-written': text('It bends, bec') });
    expect(student.take({ type: 'revised', ...on, response: text(' ') })).toBe('blank');
    expect(student.take({ type: 'revised', ...on, response: text('It bends, because…') })).toBe('taken');
    expect(student.answerTo('q-written')).toEqual({
      response: text('It bends, because…'),
      points: null,
      markedBy: null,
      comment: null,
      earlier: [{ response: text('It bends.'), points: 100, comment: 'Say why.', because: 'returned' }],
    });
    expect(student.stop()?.drafts).toEqual({});
    expect(student.take({ type: 'revised', ...on, response: text('Once more.') })).toBe('notReturned');
  });

  test('what was handed in can be taken back, and handed in again', () => {
    const student = at([pickOne]);
    expect(student.take({ type: 'withdrawn' })).toBe('notHandedIn');
    student.answer({ 'q-one': right });
    student.take({ type: 'met', partId: 'part', fromMs: 0, toMs: 10_000, rate: 1 }, startAt + 20_000);
    expect(student.take({ type: 'handedIn' }, startAt + 20_000)).toBe('taken');
    expect(student.take({ type: 'withdrawn' }, startAt + 30_000)).toBe('taken');
    expect(student.state().handedInAt).toBeNull();
    expect(student.take({ type: 'handedIn' }, startAt + 40_000)).toBe('taken');
  });
});

describe('a key that was put right', () => {
  const at17 = { ...pickOne, tries: { count: 2, laterPercent: 50 } };
  const on = { stopId: 'stop', questionId: 'q-one' };

  test('marks anew what the program marked, with what tries and hints took off, and leaves what a teacher marked', () => {
    const student = at([at17]);
    student.answer({ 'q-one': wrong });
    student.answer({ 'q-one': wrong });
    expect(student.answerTo('q-one')?.points).toBe(0);
    expect(student.teach({ type: 'remarked', ...on, earned: 200, by: 't' })).toBe('taken');
    expect(student.answerTo('q-one')).toMatchObject({ points: 100, earned: 200, markedBy: 'program' });
    expect(student.teach({ type: 'remarked', ...on, earned: 999, by: 't' })).toBe('pointsOutOfRange');
    student.teach({ type: 'marked', ...on, points: 150, by: 't' });
    student.teach({ type: 'remarked', ...on, earned: 0, by: 't' });
    expect(student.answerTo('q-one')?.points).toBe(150);
  });

  test('answers count by the key of their time', () => {
    const options = pickOne.options.map((option) => ({ ...option, correct: !option.correct }));
    const lesson = lessonOf([pickOne]);
    const context = createContext(lesson, defaultTerms, [{ question: { ...pickOne, options }, at: startAt + 1_000 }]);
    expect([startAt, startAt + 1_000].map((when) => context.mark('q-one', right, when))).toEqual([200, 0]);
  });

  test('may change nothing that a student sees', () => {
    const { choice, numeric, order, gapMatch } = everyKind;
    const turned = { ...choice, options: choice.options.map((option) => ({ ...option, correct: !option.correct })) };
    expect(showsTheSame(choice, turned)).toBe(true);
    expect(showsTheSame(choice, { ...turned, stem: 'Other' })).toBe(false);
    expect(showsTheSame(choice, { ...choice, points: 1 })).toBe(false);
    expect(showsTheSame(choice, { ...choice, options: choice.options.slice(1) })).toBe(false);
    expect(showsTheSame(numeric, { ...numeric, value: 4, tolerance: { kind: 'exact' } })).toBe(true);
    expect(showsTheSame(numeric, { ...numeric, unitNeeded: false })).toBe(false);
    expect(showsTheSame(order, { ...order, items: order.items.toReversed() })).toBe(true);
    expect(
      showsTheSame(gapMatch, { ...gapMatch, gaps: gapMatch.gaps.map((gap) => ({ ...gap, correctIds: ['w3'] })) }),
    ).toBe(true);
    expect(showsTheSame(choice, numeric)).toBe(false);
  });
});

describe('what a student is shown of each kind', () => {
  const questions = Object.values(everyKind);

  test('nothing that gives a key, a hint, feedback or a note away before an answer', () => {
    const { lesson, results, hints } = at(questions).view();
    const shown = JSON.stringify({ lesson, results, hints });
    expect(shown).not.toContain('SECRET');
    for (const secret of ['"correct"', 'correctId', 'pairs"', '"key"', 'accepted', '3.2345678', 'standing', 'worth'])
      expect(shown.replaceAll('"right":[', '')).not.toContain(secret);
  });

  test('an order is the same whenever it is looked at, and as it should be no more often than by chance', () => {
    let asItShouldBe = 0;
    for (let begunAt = 0; begunAt < 960; begunAt++) {
      const shown = () => {
        const question = learnerView(
          lessonOf([everyKind.order]),
          beginAttempt({ begunAt, secret: `of ${begunAt}` }),
          {},
          allShown,
        ).lesson.parts[0]?.stops[0];
        return JSON.stringify(question);
      };
      expect(shown()).toBe(shown());
      if (shown().match(/"o\d"/g)?.join() === '"o4","o2","o3","o1"') asItShouldBe++;
    }
    // One of 24 orders: 40 of 960 on average, with a standard deviation of about 6.
    expect(Math.abs(asItShouldBe - 40)).toBeLessThan(31);
  });

  test('once answered, the key of what a program marks, and only of that', () => {
    const student = at(questions);
    const responses = Object.fromEntries(
      questions.map((question) => [question.id, correctResponse(question) ?? blankOf(question)]),
    );
    expect(student.answer(responses as Record<string, Response>)).toBe('taken');
    const { results } = student.view();
    for (const question of questions) {
      expect(results[question.id]?.answerKey).toEqual(correctResponse(question));
      expect(results[question.id]?.modelAnswer).toBeNull();
    }
    expect(JSON.stringify(student.view())).not.toMatch(/SECRET (note|hint|target|model)/);
  });
});

function blankOf({ kind }: Question): Response {
  if (kind === 'poll') return { kind: 'choice', optionIds: ['p1'] };
  if (kind === 'drawing')
    return {
      kind: 'drawing',
      drawing: { marks: [{ tool: 'text', colour: 'ink', size: 300, at: [0, 0], text: 'load' }] },
    };
  if (kind === 'upload' || kind === 'record')
    return { kind: 'files', files: [{ fileId: 'f', name: 'sketch.png', mimeType: 'image/png', byteLength: 9 }] };
  return text('Because.');
}
