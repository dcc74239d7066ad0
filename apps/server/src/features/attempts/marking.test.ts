import type { LearnerEventBody } from '@semita/core/attempt';
import type { Question, Response } from '@semita/core/question';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { classStudents } from '../../db/schema.ts';
import { type Client, type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from './rebuild-states.ts';

const rubric = {
  criteria: [
    {
      id: 'why',
      title: 'Says why',
      levels: [
        { id: 'no', words: 'no', points: 0 },
        { id: 'yes', words: 'yes', points: 400 },
      ],
    },
  ],
};
const lesson = lessonOf([
  { ...everyKind.extendedText, rubric },
  everyKind.discussion,
  { ...everyKind.numeric, mayBeBlank: true, timeLimitMs: 60_000 },
]);

let school: School;
let assignmentId: string;
let adaeze: Client;

beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  school.addMaterial('picture', 0);
});
beforeEach(async () => {
  ({ assignmentId } = await school.assignLesson(lesson));
  adaeze = school.as('adaeze');
});
afterAll(() => school.stop());

const text = (words: string): Response => ({ kind: 'extendedText', text: words });

/** A student who begins and answers, and can go on. */
async function walker(name: string) {
  const client = school.as(name);
  const { attemptId } = (await client.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const sittingId = crypto.randomUUID();
  let n = 0;
  const take = async (...bodies: LearnerEventBody[]) => {
    const events = bodies.map((body) => ({
      ...body,
      id: crypto.randomUUID(),
      sittingId,
      n: n++,
      at: school.clock.now,
    }));
    return (await client.ask('POST', `/api/attempts/${attemptId}/events`, { events })).body;
  };
  const answer = (words: string, post = 'The arch.') =>
    take(
      { type: 'reachedStop', stopId: 'stop' },
      {
        type: 'answered',
        stopId: 'stop',
        responses: { 'q-written': text(words), 'q-discussion': text(post) },
      },
    );
  return { client, take, answer };
}

const on = { stopId: 'stop', questionId: 'q-written' };
const markPath = (student: string) => `/api/assignments/${assignmentId}/students/${student}/marks`;

test('one mark for answers that are alike, with every change kept', async () => {
  await (await walker('imani')).answer('It bends.');
  await (await walker('tomas')).answer('it bends');
  const list = await adaeze.ask('GET', `/api/assignments/${assignmentId}/marking`);
  expect(list.body.find((one: { questionId: string }) => one.questionId === 'q-written')).toMatchObject({
    answered: 2,
    waiting: 2,
  });
  const mark = { ...on, points: 300, comment: 'Say why.' };
  const many = await adaeze.ask('POST', `/api/assignments/${assignmentId}/marks`, {
    studentIds: ['imani', 'tomas'],
    mark,
  });
  expect(many.status).toBe(204);
  const answers = await adaeze.ask('GET', `/api/assignments/${assignmentId}/questions/q-written/answers`);
  expect(answers.body.answers.map(({ answer }: { answer: { points: number } }) => answer.points)).toEqual([300, 300]);
  await adaeze.ask('POST', markPath('imani'), { ...mark, points: 400 });
  const history = await adaeze.ask('GET', markPath('imani'));
  expect(history.body.map(({ points, comment, by }: Record<string, unknown>) => [points, comment, by])).toEqual([
    [400, null, 'adaeze'],
    [null, 'Say why.', 'adaeze'],
    [300, null, 'adaeze'],
  ]);
  expect((await school.as('bruno').ask('GET', markPath('imani'))).status).toBe(404);
});

test('a rubric is held to, and its student sees which level was met', async () => {
  const { client, answer } = await walker('imani');
  await answer('It bends.');
  const wrong = await adaeze.ask('POST', markPath('imani'), {
    ...on,
    points: 0,
    comment: '',
    rubric: { why: 'maybe' },
  });
  expect(wrong.body.code).toBe('inputInvalid');
  await adaeze.ask('POST', markPath('imani'), { ...on, points: 400, comment: '', rubric: { why: 'yes' } });
  const feedback = await client.ask('GET', '/api/feedback');
  expect(feedback.body.at(-1).result.rubric).toEqual([{ title: 'Says why', words: 'yes', points: 400 }]);
});

test('what was given back is worked on after the end, and nothing else is', async () => {
  const { client, take, answer } = await walker('imani');
  await answer('It bends.');
  await adaeze.ask('POST', markPath('imani'), { ...on, points: null, comment: 'Why?', returns: true });
  await adaeze.ask('PATCH', `/api/assignments/${assignmentId}/window`, {
    opensAt: null,
    dueAt: null,
    closesAt: '2026-11-24T09:30',
  });
  const before = school.clock.now;
  school.clock.now += 24 * 3_600_000;
  const tried = await take({ type: 'opened' }, { type: 'handedIn' });
  expect(tried.outcomes[1]).toMatchObject({ kind: 'refused', reason: 'windowClosed' });
  const again = await walker('imani');
  const taken = await again.take({ type: 'opened' }, { type: 'revised', ...on, response: text('It bends, because.') });
  expect(taken.outcomes.map(({ kind }: { kind: string }) => kind)).toEqual(['taken', 'taken']);
  school.clock.now = before;
  const detail = await adaeze.ask('GET', `/api/assignments/${assignmentId}/students/imani`);
  expect(detail.body.state.stops.stop.answers['q-written']).toMatchObject({
    response: { text: 'It bends, because.' },
    earlier: [{ response: { text: 'It bends.' }, because: 'returned' }],
  });
  expect(rebuildStates(school.db).changed).toEqual([]);
  expect((await client.ask('GET', '/api/feedback')).status).toBe(200);
});

describe('class threads', () => {
  const thread = () => `/api/assignments/${assignmentId}/questions/q-discussion/thread`;

  test('who has not posted reads nothing; who has reads, and answers', async () => {
    await (await walker('tomas')).answer('x', 'SECRET post');
    const imani = await walker('imani');
    expect((await imani.client.ask('GET', thread())).body).toEqual({ code: 'answerFirst' });
    await imani.answer('x', 'The beam.');
    const read = await imani.client.ask('GET', thread());
    expect(read.body.map(({ text: words, isOwn }: Record<string, unknown>) => [words, isOwn])).toEqual([
      ['The beam.', true],
      ['SECRET post', false],
    ]);
    const replied = await imani.client.ask('POST', `${thread()}/tomas`, { text: ' I disagree. ' });
    expect(replied.body[1].replies).toEqual([expect.objectContaining({ text: 'I disagree.', isOwn: true })]);
    expect((await school.as('cobalt').ask('GET', thread())).status).toBe(404);
    expect((await imani.client.ask('POST', `${thread()}/cobalt`, { text: 'x' })).status).toBe(404);
  });

  test('nobody buries a thread under their replies; who waits may go on', async () => {
    const imani = await walker('imani');
    await imani.answer('x', 'The beam.');
    const reply = async () => (await imani.client.ask('POST', `${thread()}/imani`, { text: 'And more.' })).status;
    const statuses: number[] = [];
    for (let i = 0; i < 32; i++) statuses.push(await reply());
    expect(statuses.filter((status) => status === 200)).toHaveLength(30);
    expect(statuses.slice(30)).toEqual([429, 429]);
    school.clock.now += 11 * 60_000;
    expect(await reply()).toBe(200);
  });

  test('a teacher hides a post and a reply from the class, and brings them back', async () => {
    await (await walker('tomas')).answer('x', 'Something rude');
    const imani = await walker('imani');
    await imani.answer('x', 'The beam.');
    const { body } = await imani.client.ask('POST', `${thread()}/imani`, { text: 'A reply' });
    const replyId = body[0].replies[0].id;
    const hide = (student: string, id: string | null, hidden: boolean) =>
      adaeze.ask('PUT', `${thread()}/${student}/hiding`, { replyId: id, hidden });
    await hide('tomas', null, true);
    const seen = await hide('imani', replyId, true);
    expect(seen.body).toHaveLength(2);
    const left = await imani.client.ask('GET', thread());
    expect(left.body).toEqual([expect.objectContaining({ text: 'The beam.', replies: [] })]);
    await hide('tomas', null, false);
    expect((await imani.client.ask('GET', thread())).body).toHaveLength(2);
    expect(
      (await school.as('bruno').ask('PUT', `${thread()}/tomas/hiding`, { replyId: null, hidden: true })).status,
    ).toBe(404);
  });
});

test('a student with extra time has it from the beginning, and it is in the log', async () => {
  const settings = await adaeze.ask('PATCH', '/api/classes/amber/students/tomas', { extraTime: 1.5 });
  expect(settings.status).toBe(204);
  expect((await adaeze.ask('PATCH', '/api/classes/amber/students/cobalt', { extraTime: 2 })).status).toBe(404);
  const tomas = await walker('tomas');
  await tomas.take({ type: 'reachedStop', stopId: 'stop' });
  school.clock.now += 85_000;
  const responses = {
    'q-written': text('x'),
    'q-discussion': text('y'),
    'q-numeric': { kind: 'number', text: '3.23 kN' },
  };
  const taken = await tomas.take({ type: 'answered', stopId: 'stop', responses } as LearnerEventBody);
  expect(taken.view.state.stops.stop.answers['q-numeric'].points).toBe(400);
  const imani = await walker('imani');
  await imani.take({ type: 'reachedStop', stopId: 'stop' });
  school.clock.now += 85_000;
  const late = await imani.take({ type: 'answered', stopId: 'stop', responses } as LearnerEventBody);
  // The time of the one question is over; its neighbours have none.
  expect(Object.keys(late.view.state.stops.stop.answers)).toEqual(['q-written', 'q-discussion']);
  expect(rebuildStates(school.db).changed).toEqual([]);
  school.db.update(classStudents).set({ extraTime: 1 }).run();
});

test('numbers are read in the language of the class', async () => {
  await adaeze.ask('PATCH', '/api/classes/amber', { locale: 'de' });
  ({ assignmentId } = await school.assignLesson(lessonOf([{ ...everyKind.numeric, value: 3200, unit: '' }])));
  const { take } = await walker('imani');
  const responses: Record<string, Response> = { 'q-numeric': { kind: 'number', text: '3.200' } };
  const taken = await take({ type: 'reachedStop', stopId: 'stop' }, { type: 'answered', stopId: 'stop', responses });
  expect(taken.view.results['q-numeric'].points).toBe(400);
  await adaeze.ask('PATCH', '/api/classes/amber', { locale: 'en' });
});

test('a key is put right: first it is told whose marks move, then they do, and what is answered later counts by it', async () => {
  const question = {
    ...everyKind.numeric,
    unit: '',
    unitNeeded: false,
    value: 3,
    tolerance: { kind: 'exact' as const },
  };
  ({ assignmentId } = await school.assignLesson(lessonOf([question])));
  const answer = async (name: string, given: string) => {
    const { take } = await walker(name);
    const responses: Record<string, Response> = { 'q-numeric': { kind: 'number', text: given } };
    await take({ type: 'reachedStop', stopId: 'stop' }, { type: 'answered', stopId: 'stop', responses });
  };
  await answer('imani', '4');
  school.clock.now += 60_000;
  const keyPath = `/api/assignments/${assignmentId}/questions/q-numeric/key`;
  const ask = (changed: object, confirms: boolean, client = adaeze) =>
    client.ask('POST', keyPath, { question: { ...question, ...changed }, confirms });
  const looked = await ask({ value: 4 }, false);
  expect(looked.body).toEqual([{ studentId: 'imani', displayName: 'imani', before: 0, after: 400, byHand: false }]);
  const points = async (name: string) => {
    const { body } = await adaeze.ask('GET', `/api/assignments/${assignmentId}/students/${name}`);
    return body.state.stops.stop.answers['q-numeric'].points;
  };
  expect(await points('imani')).toBe(0);
  expect((await ask({ value: 4, stem: 'Another' }, true)).body.code).toBe('changeImpossible');
  expect((await ask({ value: 4 }, true, school.as('bruno'))).status).toBe(404);
  expect((await ask({ value: 4 }, true)).status).toBe(200);
  expect(await points('imani')).toBe(400);
  school.clock.now += 60_000;
  await answer('tomas', '4');
  expect(await points('tomas')).toBe(400);
  expect(rebuildStates(school.db).changed).toEqual([]);
});

describe('answers beyond all bounds', () => {
  const take = async (question: Question, response: object) => {
    ({ assignmentId } = await school.assignLesson(lessonOf([question])));
    const { take: send } = await walker('imani');
    await send({ type: 'reachedStop', stopId: 'stop' });
    const responses = { [question.id]: response };
    return send({ type: 'answered', stopId: 'stop', responses } as unknown as LearnerEventBody);
  };

  test('a hundred thousand letters are refused in words, and the server goes on', async () => {
    const pasted = await take(everyKind.extendedText, text('x'.repeat(100_000)));
    expect(pasted.code).toBe('inputInvalid');
    const entry = await take(everyKind.textEntry, { kind: 'gaps', gaps: { t1: 'x'.repeat(10_000) } });
    expect(entry.code).toBe('inputInvalid');
    expect((await take(everyKind.extendedText, text('Because.'))).outcomes[0].kind).toBe('taken');
  });

  test('a drawing of fifty thousand points is refused, one as large as is allowed is taken', async () => {
    const stroke = (count: number) => ({
      kind: 'drawing',
      drawing: {
        marks: [
          { tool: 'pen', colour: 'ink', size: 50, points: Array.from({ length: count * 3 }, (_, i) => i % 9_999) },
        ],
      },
    });
    expect((await take(everyKind.drawing, stroke(50_000))).code).toBe('inputInvalid');
    expect((await take(everyKind.drawing, stroke(20_000))).outcomes[0].kind).toBe('taken');
    const halves = [stroke(12_000), stroke(12_000)].flatMap(({ drawing }) => drawing.marks);
    const many = await take(everyKind.drawing, { kind: 'drawing', drawing: { marks: halves } });
    expect(many.outcomes[0]).toMatchObject({ kind: 'refused', reason: 'unfitting' });
  });

  test('letters that bring a pattern to its knees are marked like any others', async () => {
    const began = performance.now();
    for (const words of ['a'.repeat(200), '1'.repeat(199), `${'9 '.repeat(99)}x`, '-'.repeat(200), '.,'.repeat(100)]) {
      await take(everyKind.numeric, { kind: 'number', text: words });
      await take(everyKind.textEntry, { kind: 'gaps', gaps: { t1: words } });
    }
    expect(performance.now() - began).toBeLessThan(5_000);
  });
});

test('phrases and rubrics are each teacher’s own', async () => {
  const bruno = school.as('bruno');
  const { body: phrase } = await adaeze.ask('POST', '/api/phrases', { text: ' Say why. ' });
  expect((await adaeze.ask('POST', '/api/phrases', { text: 'Say why.' })).body.id).toBe(phrase.id);
  expect((await bruno.ask('GET', '/api/phrases')).body).toEqual([]);
  expect((await bruno.ask('DELETE', `/api/phrases/${phrase.id}`)).status).toBe(404);
  expect((await adaeze.ask('DELETE', `/api/phrases/${phrase.id}`)).status).toBe(204);
  await adaeze.ask('POST', '/api/rubrics', { title: 'Reasons', content: rubric });
  expect((await adaeze.ask('GET', '/api/rubrics')).body).toEqual([
    expect.objectContaining({ title: 'Reasons', content: rubric }),
  ]);
  expect((await bruno.ask('GET', '/api/rubrics')).body).toEqual([]);
});
