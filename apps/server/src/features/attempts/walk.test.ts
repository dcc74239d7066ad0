import { decodeSheetRow, readSheetLine, type SheetLine } from '@semita/core/sheet';
import { eq, sql } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { attemptEvents, attemptStates, attempts } from '../../db/schema.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from './rebuild-states.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
});
afterEach(() => school.stop());

const minute = 60_000;

async function begin(studentId = 'imani', assigned?: { assignmentId: string }) {
  const { assignmentId } = assigned ?? (await school.assignLesson(bridgeLesson));
  const client = school.as(studentId);
  const { body: walk } = await client.ask('PUT', `/api/assignments/${assignmentId}/walk`);
  const send = (...events: unknown[]) => client.ask('POST', `/api/attempts/${walk.attemptId}/events`, { events });
  return { assignmentId, client, walk, send, attemptId: walk.attemptId as string };
}

test('a student walks, the teacher marks, the student sees it', async () => {
  const { assignmentId, client, send, attemptId } = await begin();
  const event = createSender(school.clock);
  for (const body of wholeWalk) {
    school.clock.now += minute;
    const { status, body: answer } = await send(event(body));
    expect([status, answer.outcomes[0].kind]).toEqual([200, 'taken']);
  }
  expect(school.db.select().from(attemptEvents).all()).toHaveLength(wholeWalk.length);

  const adaeze = school.as('adaeze');
  const marks = `/api/assignments/${assignmentId}/students/imani/marks`;
  const on = { stopId: 's-two', questionId: 'q-written' };
  const marked = await adaeze.ask('POST', marks, { ...on, points: 300, comment: 'Now say why.' });
  expect(marked.body.state.stops['s-two'].answers['q-written']).toMatchObject({ points: 300, comment: 'Now say why.' });
  expect((await adaeze.ask('POST', marks, { ...on, points: 401, comment: '' })).body.code).toBe('pointsOutOfRange');
  expect((await adaeze.ask('POST', marks, { ...on, stopId: 's-pause', points: 0, comment: '' })).body.code).toBe(
    'answerMissing',
  );

  const sheet = await adaeze.ask('GET', `/api/assignments/${assignmentId}/sheet`);
  const line = sheet.body.students.find((student: { studentId: string }) => student.studentId === 'imani');
  expect(decodeSheetRow(line.row)).toMatchObject({ metShare: 1, progress: 1, earned: 500, possible: 900 });
  const feedback = await client.ask('GET', '/api/feedback');
  expect(feedback.body).toEqual([
    expect.objectContaining({
      question: expect.objectContaining({ id: 'q-written', points: 400 }),
      result: expect.objectContaining({ points: 300, comment: 'Now say why.' }),
    }),
  ]);

  const stored = school.db.select().from(attempts).where(eq(attempts.id, attemptId)).get();
  const { state } = school.services.states.read(attemptId);
  expect(rebuildStates(school.db)).toEqual({ attempts: 1, changed: [] });
  school.db.update(attempts).set({ sheetRow: '[]' }).run();
  school.db
    .update(attemptStates)
    .set({ state: { ...state, version: 0 } })
    .run();
  expect(rebuildStates(school.db).changed).toEqual([attemptId]);
  expect(school.db.select().from(attempts).get()).toEqual(stored);
  expect(school.db.select().from(attemptStates).get()?.state).toEqual(state);
});

describe('an event stream is not believed', () => {
  test('the same batch twice is stored once', async () => {
    const { send } = await begin();
    const event = createSender(school.clock);
    school.clock.now += minute;
    const batch = [
      event({ type: 'opened' }),
      event({ type: 'met', partId: 'clip', fromMs: 10_000, toMs: 15_000, rate: 1 }),
    ];
    const kinds = async () => (await send(...batch)).body.outcomes.map((outcome: { kind: string }) => outcome.kind);
    expect(await kinds()).toEqual(['taken', 'taken']);
    expect(await kinds()).toEqual(['repeated', 'repeated']);
    expect(school.db.select().from(attemptEvents).all()).toHaveLength(2);
  });

  test('events that come before earlier ones are kept and take effect in their turn', async () => {
    const { send, attemptId } = await begin();
    const event = createSender(school.clock);
    school.clock.now += minute;
    const [opened, met, reached] = [
      event({ type: 'opened' }),
      event({ type: 'met', partId: 'clip', fromMs: 10_000, toMs: 20_000, rate: 1 }),
      event({ type: 'reachedStop', stopId: 's-one' }),
    ];
    expect((await send(reached)).body.outcomes[0].kind).toBe('held');
    expect((await send(met)).body.outcomes[0].kind).toBe('held');
    await send(opened);
    const state = school.services.states.read(attemptId).state;
    expect(state.stops['s-one']?.phase).toBe('open');
    expect(rebuildStates(school.db).changed).toEqual([]);
  });

  test('an hour in a minute, an answer before its stop, a second answer', async () => {
    const { send, attemptId } = await begin();
    const event = createSender(school.clock);
    school.clock.now += 2_000;
    const answer = {
      type: 'answered',
      stopId: 's-one',
      responses: { 'q-one': { kind: 'choice', optionIds: ['o-compression'] } },
    } as const;
    const early = await send(event({ type: 'opened' }), event(answer));
    expect(early.body.outcomes[1]).toMatchObject({ kind: 'refused', reason: 'notOpen' });
    expect(early.text).not.toContain('SECRET');
    school.clock.now += 30_000;
    await send(event({ type: 'met', partId: 'clip', fromMs: 0, toMs: 3_600_000, rate: 2 }));
    expect(school.services.states.read(attemptId).state.parts.clip?.furthestMs).toBe(20_000);
    const twice = await send(
      event({ type: 'reachedStop', stopId: 's-one' }),
      event(answer),
      event({ ...answer, responses: { 'q-one': { kind: 'choice', optionIds: ['o-tension'] } } }),
    );
    expect(twice.body.outcomes.map((outcome: { kind: string }) => outcome.kind)).toEqual(['taken', 'taken', 'refused']);
    expect(twice.body.view.results['q-one'].points).toBe(200);
  });

  test("another student's attempt is not there", async () => {
    const { attemptId } = await begin();
    const event = createSender(school.clock);
    const answer = await school
      .as('tomas')
      .ask('POST', `/api/attempts/${attemptId}/events`, { events: [event({ type: 'opened' })] });
    expect([answer.status, answer.body]).toEqual([404, { code: 'notFound' }]);
    expect(school.db.select().from(attemptEvents).all()).toEqual([]);
  });

  test.each([
    ['not an array', 'nonsense'],
    ['a teacher event', [{ type: 'marked', stopId: 's-two', questionId: 'q-written', points: 400, by: 'x' }]],
    ['a stop at a negative time', [{ type: 'met', partId: 'clip', fromMs: -5, toMs: 5, rate: 1 }]],
    ['no number', [{ type: 'opened', n: 'first' }]],
  ])('%s is refused whole', async (_, events) => {
    const { client, attemptId } = await begin();
    const event = createSender(school.clock);
    const full = Array.isArray(events) ? events.map((body) => ({ ...event({ type: 'opened' }), ...body })) : events;
    const answer = await client.ask('POST', `/api/attempts/${attemptId}/events`, { events: full });
    expect([answer.status, answer.body.code]).toEqual([422, 'inputInvalid']);
    expect(school.db.select().from(attemptEvents).all()).toEqual([]);
  });
});

describe('the window', () => {
  test('before it opens there is nothing to begin; after it closes nothing more is taken, and the work stays', async () => {
    const assigned = await school.assignLesson(bridgeLesson, undefined, {
      opensAt: '2026-11-24T12:00',
      closesAt: '2026-11-25T12:00',
    });
    const client = school.as('imani');
    const early = await client.ask('PUT', `/api/assignments/${assigned.assignmentId}/walk`);
    expect([early.status, early.body.code]).toEqual([409, 'windowNotOpen']);
    school.clock.now += 4 * 60 * minute;
    const { send } = await begin('imani', assigned);
    const event = createSender(school.clock);
    expect((await send(event({ type: 'opened' }))).status).toBe(200);
    school.clock.now += 48 * 60 * minute;
    expect((await send(event({ type: 'shown' }))).body.code).toBe('windowClosed');
    expect((await client.ask('PUT', `/api/assignments/${assigned.assignmentId}/walk`)).status).toBe(200);
    expect((await school.as('tomas').ask('PUT', `/api/assignments/${assigned.assignmentId}/walk`)).body.code).toBe(
      'windowClosed',
    );
  });

  test('dates are read on the class clock, and must be in order', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    const adaeze = school.as('adaeze');
    const patch = (window: object) =>
      adaeze.ask('PATCH', `/api/assignments/${assignmentId}/window`, {
        opensAt: null,
        dueAt: null,
        closesAt: null,
        ...window,
      });
    expect((await patch({ dueAt: '2026-12-03T23:59' })).body.dueAt).toBe(Date.UTC(2026, 11, 3, 22, 59, 59));
    expect((await patch({ dueAt: '2026-12-03T23:59', closesAt: '2026-12-01T08:00' })).body).toEqual({
      code: 'windowOutOfOrder',
      detail: { fault: 'closesBeforeDue' },
    });
    expect((await patch({ dueAt: '2026-99-03T23:59' })).status).toBe(422);
  });
});

test('an excused student is excused on the sheet and in the to-do list', async () => {
  const { assignmentId } = await school.assignLesson(bridgeLesson);
  const adaeze = school.as('adaeze');
  const adjust = (kind: string, studentId = 'tomas') =>
    adaeze.ask('POST', `/api/assignments/${assignmentId}/adjustments`, { studentIds: [studentId], change: { kind } });
  expect((await adjust('excused')).body[0].excused).toBe(true);
  expect((await school.as('tomas').ask('GET', '/api/todo')).body.items[0].excused).toBe(true);
  expect((await adjust('excusalEnded')).body[0].excused).toBe(false);
  expect((await adjust('excused', 'cobalt')).status).toBe(404);
});

test('the sheet as CSV: header, CRLF, and no cell that a spreadsheet would compute', async () => {
  const lesson = {
    ...bridgeLesson,
    parts: bridgeLesson.parts.map((part) => ({
      ...part,
      stops: part.stops.map((stop) => (stop.kind === 'pause' ? { ...stop, note: '=1+1, "quoted"' } : stop)),
    })),
  };
  const { assignmentId } = await school.assignLesson(lesson);
  const answer = await school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/sheet.csv`);
  expect(answer.headers.get('content-disposition')).toContain('attachment');
  const lines = answer.text.replace(/^\ufeff/, '').split('\r\n');
  expect(lines).toHaveLength(4);
  expect(lines[0]).toMatch(/^Student,Needs,/);
  expect(lines[0]).toContain(`"Stop 2: =1+1, ""quoted"""`);
  expect(lines[1]).toMatch(/^imani,Not begun,0,0,0,/);
  // Clocks tell fractions of a millisecond; that is no reason to fail.
  const { attemptId } = (await school.as('imani').ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const event = createSender(school.clock);
  school.clock.now += minute + 0.4;
  await school.as('imani').ask('POST', `/api/attempts/${attemptId}/events`, {
    events: [{ ...event({ type: 'opened' }), at: Math.floor(school.clock.now) }],
  });
  school.db
    .update(attempts)
    .set({ sheetRow: sql`replace(${attempts.sheetRow}, '00000,', '00000.5,')` })
    .run();
  const begun = await school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/sheet.csv`);
  expect([begun.status, begun.text.includes('imani,Under way,')]).toEqual([200, true]);
});

test('an open sheet is told of every change as it happens', async () => {
  const { assignmentId, send } = await begin();
  const controller = new AbortController();
  const stream = await fetch(`${school.base}/api/live?on=sheet:${assignmentId}`, {
    headers: { cookie: school.as('adaeze').cookie },
    signal: controller.signal,
  });
  expect(stream.headers.get('content-type')).toContain('text/event-stream');
  const reader = (stream.body as ReadableStream<Uint8Array>).getReader();
  const event = createSender(school.clock);
  school.clock.now += minute;
  await send(event({ type: 'opened' }), event({ type: 'met', partId: 'clip', fromMs: 10_000, toMs: 15_000, rate: 1 }));
  let text = '';
  while (!/data:.*\n\n/.test(text)) text += new TextDecoder().decode((await reader.read()).value);
  expect(text).toContain('event:line');
  const { line }: { line: SheetLine } = JSON.parse(/data:(.*)/.exec(text)?.[1] ?? '');
  expect([line.studentId, readSheetLine(line).row?.metShare]).toEqual(['imani', 0.125]);
  // Hundreds of watchers are told of every step: as it is stored, and no longer.
  expect(JSON.stringify(line).length).toBeLessThan(300);
  controller.abort();
});

test('a reading leads on to the next lesson where the student was given it', async () => {
  const next = await school.assignLesson({ ...bridgeLesson, title: 'Arches' });
  const parts = bridgeLesson.parts.map((part) => ({ ...part, nextLessonId: next.lessonId }));
  const { walk } = await begin('imani', await school.assignLesson({ ...bridgeLesson, parts }));
  expect(walk.nextLessons).toEqual([{ ...next, title: 'Arches' }]);
  const { walk: plain } = await begin('imani', next);
  expect(plain.nextLessons).toEqual([]);
});
