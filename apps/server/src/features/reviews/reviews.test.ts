import type { LearnerEventBody } from '@semita/core/attempt';
import type { OpenedReview } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { classes, classReviews, classTeachers, reviewEvents, reviewRounds } from '../../db/schema.ts';
import { countStatements } from '../../test/count-statements.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';

const day = 24 * 3_600_000;
const options = ['right', 'wrong'].map((id) => ({ id, text: id, correct: id === 'right', feedback: '' }));
const { target: _, picture: __, ...choice } = everyKind.choice;
const ask = (id: string, target = 'F.1') => ({
  ...choice,
  ...{ id, multiple: false, options, points: 100, stem: `Question ${id}`, target },
});
const taskOf = (title: string, questions: readonly ReturnType<typeof ask>[]): Lesson => ({
  title,
  parts: [
    {
      ...{ id: 'part', kind: 'task', title, inMs: 0, outMs: 1 },
      stops: [{ id: 'stop', kind: 'checkpoint', atMs: 0, required: true, questions }],
    },
  ],
});

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

const asked = (method: string, path: string, body?: object, as = 'adaeze') => school.as(as).ask(method, path, body);
const turnOn = (more: object = {}) =>
  asked('PUT', '/api/classes/amber/reviews', { isOn: true, maxQuestions: 5, usesBank: true, counts: false, ...more });
const waiting = async (as = 'imani') => (await asked('GET', '/api/reviews', undefined, as)).body;
const open = async (as = 'imani'): Promise<OpenedReview | null> =>
  (await asked('PUT', '/api/classes/amber/review', undefined, as)).body.review;
const questionsOf = ({ view }: OpenedReview) =>
  view.lesson.parts.flatMap(({ stops }) => stops.flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : [])));
const stemsOf = (review: OpenedReview | null) =>
  review ? questionsOf(review).map((question) => ('stem' in question ? question.stem : '')) : null;

async function give(ids: readonly string[], terms?: Parameters<School['assignLesson']>[1]) {
  const lesson = taskOf(
    'Forces',
    ids.map((id) => ask(id)),
  );
  return (await school.assignLesson(lesson, terms)).assignmentId;
}

/** Answers all questions of a lesson alike. */
async function walk(assignmentId: string, ids: readonly string[], pick: string, { handsIn = true, as = 'imani' } = {}) {
  const send = await school.beginWalk(as, assignmentId);
  const responses = Object.fromEntries(ids.map((id) => [id, { kind: 'choice' as const, optionIds: [pick] }]));
  await send({ type: 'opened' }, { type: 'reachedStop', stopId: 'stop' });
  await send({ type: 'answered', stopId: 'stop', responses }, ...(handsIn ? [{ type: 'handedIn' as const }] : []));
}

/** Answers a round, each question by what is picked in its place. */
async function answer(review: OpenedReview, picks: readonly string[], as = 'imani') {
  const event = createSender(school.clock);
  const bodies: LearnerEventBody[] = [{ type: 'opened' }];
  for (const [index, pick] of picks.entries())
    bodies.push(
      { type: 'reachedStop', stopId: `stop-${index + 1}` },
      {
        ...{ type: 'answered', stopId: `stop-${index + 1}` },
        responses: { [`question-${index + 1}`]: { kind: 'choice', optionIds: [pick] } },
      },
    );
  return asked('POST', `/api/reviews/${review.roundId}/events`, { events: bodies.map(event) }, as);
}

const three = ['a', 'b', 'c'];

test('what was not met comes back the next day, is answered once, and then later', async () => {
  await walk(await give(three), three, 'wrong');
  expect(await waiting()).toEqual([]);
  await turnOn();
  // Not on the day itself.
  expect(await waiting()).toEqual([]);
  expect(await open()).toBeNull();
  school.clock.now += day;
  expect(await waiting()).toMatchObject([{ classId: 'amber', questionCount: 2, begun: false }]);
  const review = (await open()) as OpenedReview;
  expect(stemsOf(review)).toEqual(['Question a', 'Question b']);
  expect(JSON.stringify(review)).not.toMatch(/"correct":(true|false)|teacherNote/);
  const sent = await answer(review, ['right']);
  expect(sent.body.outcomes.map(({ kind }: { kind: string }) => kind)).toEqual(['taken', 'taken', 'taken']);
  // What is correct is told once it is answered, of that question alone.
  expect(Object.keys(sent.body.view.results)).toEqual(['question-1']);
  expect(await waiting()).toMatchObject([{ questionCount: 1, begun: true }]);
  // Opened again it goes on where it was, and nothing else is drawn.
  expect((await open())?.roundId).toBe(review.roundId);
  await answer(review, ['wrong', 'right']);
  expect(await waiting()).toEqual([]);
  expect((await open())?.roundId).toBe(review.roundId);
  school.clock.now += day;
  expect(await waiting()).toEqual([]);
  const { body } = await asked('GET', '/api/classes/amber/reviews');
  const imani = body.students.find(({ id }: { id: string }) => id === 'imani');
  expect(imani).toMatchObject({ today: null, back: [{ place: 0 }] });
  expect(imani.nextDay > body.day).toBe(true);
  expect(body.stayed.all).toMatchObject({ count: 2, share: null });
  const { body: preview } = await asked('GET', '/api/classes/amber/students/imani/review');
  // The first try counts, and what was longest not met is asked first.
  expect(preview.answers.map(({ words, earned }: { words: string; earned: number }) => [words, earned])).toEqual([
    ['Question a', 100],
    ['Question b', 100],
  ]);
  expect([preview.day, preview.questions[0].stem, preview.questions[0].from]).toEqual([
    imani.nextDay,
    'Question c',
    'Forces',
  ]);
});

test('counts for nothing, unless the teacher says so', async () => {
  await walk(await give(three), three, 'wrong');
  await turnOn();
  school.clock.now += day;
  await answer((await open()) as OpenedReview, ['right', 'right']);
  const mastery = async () => {
    const { body } = await asked('GET', '/api/classes/amber/mastery');
    return body.students.find(({ id }: { id: string }) => id === 'imani').mastery[0];
  };
  expect(await mastery()).toMatchObject({ count: 3, share: 0 });
  await turnOn({ counts: true });
  expect(await mastery()).toMatchObject({ count: 5, level: 'nearly' });
  const { body } = await asked('GET', '/api/classes/amber/students/imani/mastery');
  const [latest] = body.mastery[0].evidence;
  expect([latest.assignmentId, body.stems[latest.questionId]]).toEqual([null, expect.stringMatching(/Question [ab]/)]);
});

test('tells nobody the answers of what they have yet to hand in, or to be shown', async () => {
  await walk(await give(three), three, 'wrong');
  await turnOn({ maxQuestions: 10 });
  const inBank = [ask('a'), ask('bank-1'), ask('test-1')].map((question) => ({ question, tags: [] }));
  await asked('POST', '/api/bank', { entries: inBank });
  school.clock.now += day;
  const stems = async () => {
    const { body } = await asked('GET', '/api/classes/amber/students/imani/review');
    return body.questions.map(({ stem }: { stem: string }) => stem);
  };
  expect(await stems()).toEqual(['Question bank-1', 'Question test-1']);
  // The same words in a test that is open, of which answers are shown when they are released.
  const test = { skipping: false, rewindAtStops: true, maxRate: 2, shown: { keys: 'whenReleased' as const } };
  const id = await give(['test-1', 'bank-1'], test);
  expect(await stems()).toEqual(['Question a', 'Question b']);
  await walk(id, ['test-1', 'bank-1'], 'wrong');
  for (const one of three)
    await asked('PUT', '/api/classes/amber/reviews/left-out', { source: `question:${one}`, isLeftOut: true });
  expect(await stems()).toEqual([]);
  expect((await asked('POST', `/api/assignments/${id}/release`, { isReleased: true })).status).toBeLessThan(300);
  school.clock.now += day;
  expect(await stems()).toEqual(['Question test-1', 'Question bank-1']);
});

test('a teacher turns the bank off, and leaves a question out and in again', async () => {
  await walk(await give(three), three, 'wrong');
  await asked('POST', '/api/bank', { entries: [{ question: ask('bank-1'), tags: [] }] });
  await turnOn();
  school.clock.now += day;
  const questions = async () => (await asked('GET', '/api/classes/amber/students/imani/review')).body.questions;
  const [first] = await questions();
  expect([first.stem, first.from]).toEqual(['Question bank-1', null]);
  const leave = (isLeftOut: boolean) =>
    asked('PUT', '/api/classes/amber/reviews/left-out', { source: first.source, isLeftOut });
  expect((await leave(true)).body).toMatchObject({
    leftOut: [{ source: first.source, words: 'Question bank-1' }],
    targets: [{ questionCount: 3 }],
  });
  expect((await questions())[0].stem).toBe('Question a');
  expect((await leave(false)).body.leftOut).toEqual([]);
  expect((await questions())[0].stem).toBe('Question bank-1');
  await turnOn({ usesBank: false });
  expect((await questions())[0].stem).toBe('Question a');
  await turnOn({ isOn: false });
  expect(await waiting()).toEqual([]);
  expect((await asked('PUT', '/api/classes/amber/review', undefined, 'imani')).status).toBe(404);
});

test('shows the pictures of what it asks, to whom it is asked', async () => {
  school.addMaterial('picture', 0);
  await walk(await give(three), three, 'wrong');
  await turnOn({ maxQuestions: 1 });
  const question = { ...ask('pictured'), picture: { materialId: 'picture', alt: 'A bridge' } };
  await asked('POST', '/api/bank', { entries: [{ question, tags: [] }] });
  school.clock.now += day;
  const status = async (who: string) => (await asked('GET', '/api/materials/picture/media', undefined, who)).status;
  const isLetIn = async (who: string) => {
    const before = school.services.mayDo(
      { id: who, roles: ['student'], schoolId: 'quillhaven', displayName: '' },
      { thing: 'material', param: 'materialId', by: ['receives'] },
      'picture',
    );
    return before;
  };
  expect([await isLetIn('imani'), await status('imani')]).toEqual([false, 404]);
  await open();
  expect([await isLetIn('imani'), await isLetIn('tomas')]).toEqual([true, false]);
});

test('sent again it changes nothing, and another’s round is nobody’s business', async () => {
  await walk(await give(three), three, 'wrong');
  await turnOn();
  school.clock.now += day;
  const review = (await open()) as OpenedReview;
  const event = createSender(school.clock);
  const events = [event({ type: 'opened' }), event({ type: 'reachedStop', stopId: 'stop-1' })];
  const send = (as: string) => asked('POST', `/api/reviews/${review.roundId}/events`, { events }, as);
  const first = await send('imani');
  const again = await send('imani');
  expect([first.body.version, again.body.version]).toEqual([2, 2]);
  expect(again.body.outcomes.map(({ kind }: { kind: string }) => kind)).toEqual(['repeated', 'repeated']);
  expect((await send('tomas')).status).toBe(404);
  expect((await asked('PUT', '/api/classes/amber/review', undefined, 'cobalt')).status).toBe(404);
  expect((await asked('GET', '/api/classes/amber/students/cobalt/review')).status).toBe(404);
  for (const maxQuestions of [0, 11, 2.5]) expect((await turnOn({ maxQuestions })).status).toBe(422);
});

test('what is left of a day that was begun waits for the next, and the teacher is told so', async () => {
  await walk(await give(three), three, 'wrong');
  await turnOn({ maxQuestions: 1 });
  school.clock.now += day;
  await answer((await open()) as OpenedReview, ['wrong']);
  const { body } = await asked('GET', '/api/classes/amber/students/imani/review');
  expect(body.day).toBe('2026-11-26');
  expect(body.questions).toHaveLength(1);
});

test('of what is refused the log keeps that it came, however long it was', async () => {
  await walk(await give(three), three, 'wrong');
  await turnOn();
  school.clock.now += day;
  const review = (await open()) as OpenedReview;
  const event = createSender(school.clock);
  const text = 'x'.repeat(20_000);
  const bodies: LearnerEventBody[] = [
    { type: 'opened' },
    { type: 'reachedStop', stopId: 'stop-1' },
    ...Array.from(
      { length: 20 },
      (): LearnerEventBody => ({
        ...{ type: 'draftSaved', stopId: 'stop-1', questionId: 'question-1' },
        response: { kind: 'extendedText', text },
      }),
    ),
  ];
  const sent = await asked('POST', `/api/reviews/${review.roundId}/events`, { events: bodies.map(event) }, 'imani');
  expect(sent.body.outcomes.at(-1).kind).toBe('refused');
  const kept = school.db.select().from(reviewEvents).all();
  expect(kept).toHaveLength(22);
  expect(JSON.stringify(kept).length).toBeLessThan(10_000);
  // And goes on as if it had not been.
  expect((await answer(review, ['right', 'right'])).body.outcomes.at(-1).kind).toBe('taken');
});

test('goes with the student, and with the class', async () => {
  await walk(await give(three), three, 'wrong');
  await turnOn();
  school.clock.now += day;
  const review = (await open()) as OpenedReview;
  school.services.roster.remove('amber', 'imani');
  // What was done before is not lost.
  expect((await answer(review, ['right'])).status).toBe(200);
  expect(await waiting()).toEqual([]);
  expect((await asked('PUT', '/api/classes/amber/review', undefined, 'imani')).status).toBe(404);
  school.db.$client.prepare('delete from users where id = ?').run('imani');
  expect(school.db.select().from(reviewRounds).where(eq(reviewRounds.studentId, 'imani')).all()).toEqual([]);
});

test('as many statements for many as for few, and at most ten', async () => {
  await walk(await give(three), three, 'wrong');
  await turnOn();
  const count = async (as: string, path: string) => {
    const client = school.as(as);
    await client.ask('GET', path);
    return countStatements(school.db, () => client.ask('GET', path));
  };
  const pages = [
    ['adaeze', '/api/classes/amber/reviews'],
    ['adaeze', '/api/classes/amber/students/imani/review'],
    ['imani', '/api/reviews'],
  ] as const;
  school.clock.now += day;
  const few: number[] = [];
  for (const [as, path] of pages) few.push(await count(as, path));
  school.addStudents(['pupil-a', 'pupil-b']);
  // In another class as well.
  const other = { id: 'other', schoolId: 'quillhaven', name: 'Another', timeZone: 'UTC' };
  school.db.insert(classes).values(other).run();
  school.db.insert(classTeachers).values({ classId: 'other', teacherId: 'adaeze' }).run();
  school.db
    .insert(classReviews)
    .values({ classId: 'other', isOn: true, maxQuestions: 5, usesBank: true, counts: false })
    .run();
  school.services.roster.add('other', 'imani');
  for (const [index, as] of ['imani', 'pupil-a', 'pupil-b'].entries()) {
    const ids = three.map((id) => `${id}${index}`);
    await walk(await give(ids), ids, 'wrong', { as });
  }
  school.clock.now += day;
  const many: number[] = [];
  for (const [as, path] of pages) many.push(await count(as, path));
  expect(many).toEqual(few);
  expect(Math.max(...few)).toBeLessThanOrEqual(10);
});
