import type { LearnerEventBody } from '@semita/core/attempt';
import type { SentEvent } from '@semita/core/contract';
import { decodeSheetRow } from '@semita/core/sheet';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { longLesson, longLessonStops } from '../../../../../packages/core/src/test/long-lesson.ts';
import { attemptEvents, attemptStates, attempts } from '../../db/schema.ts';
import { type Client, createSender, type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from './rebuild-states.ts';

const minute = 60_000;
const count = longLessonStops;
const questionId = (i: number) => `q-${i}`;

let school: School;
let imani: Client;
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60 * minute);
  imani = school.as('imani');
});
afterEach(() => school.stop());

async function begin(window = {}) {
  const { assignmentId } = await school.assignLesson(longLesson, undefined, window);
  const { attemptId } = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const send = async (events: readonly SentEvent[], client = imani) =>
    client.ask('POST', `/api/attempts/${attemptId}/events`, { events });
  const flush = async (events: readonly SentEvent[], perBatch = 50) => {
    const kinds: string[] = [];
    for (let at = 0; at < events.length; at += perBatch)
      for (const { kind } of (await send(events.slice(at, at + perBatch))).body.outcomes) kinds.push(kind);
    return kinds;
  };
  const answered = () =>
    Object.values(school.services.states.read(attemptId).state.stops).filter(({ phase }) => phase === 'answered')
      .length;
  return { assignmentId, attemptId: attemptId as string, send, flush, answered };
}

/** All that a device does while it plays and answers, by its own clock; the server hears nothing of it yet. */
function walkOffline(startAt: number, answers = count): SentEvent[] {
  const device = { now: startAt };
  const event = createSender(device);
  const events = [event({ type: 'opened' })];
  const add = (body: LearnerEventBody) => events.push(event(body));
  for (let i = 0; i < answers; i++) {
    for (let fromMs = i * minute; fromMs < (i + 1) * minute; fromMs += 5_000) {
      device.now += 5_000;
      add({ type: 'met', partId: 'clip', fromMs, toMs: fromMs + 5_000, rate: 1 });
    }
    add({ type: 'reachedStop', stopId: `s-${i}` });
    device.now += 3_000;
    add({
      type: 'answered',
      stopId: `s-${i}`,
      responses: { [questionId(i)]: { kind: 'choice', optionIds: ['o-compression'] } },
    });
  }
  return events;
}

describe('twelve minutes and twelve answers without a connection', () => {
  test('with a second device in between and an hour before it is sent, all twelve are there', async () => {
    const { flush, answered } = await begin();
    const events = walkOffline(school.clock.now + 1_000);
    expect(await flush(events.slice(0, 1))).toEqual(['taken']);
    school.clock.now += 4 * minute;
    await flush(walkOffline(school.clock.now - 70_000, 1).slice(0, 13));
    school.clock.now += 70 * minute;
    const kinds = await flush(events.slice(1), 37);
    expect(new Set(kinds)).toEqual(new Set(['taken']));
    expect(answered()).toBe(count);
    expect(rebuildStates(school.db).changed).toEqual([]);
  });

  test('what the first editions refused for having been sent late comes back when states are computed anew', async () => {
    const { attemptId, flush, answered } = await begin();
    const events = walkOffline(school.clock.now + 1_000);
    school.clock.now += 30 * minute;
    await flush(events);
    // As an older reducer left it: all of it in the log, and a state that has none of it.
    const stored = school.db.select().from(attempts).get();
    school.db.update(attempts).set({ sheetRow: '["old"]', reducer: 0 }).run();
    const nothing = { version: 0, stops: {}, intake: { next: {}, held: [] } } as never;
    school.db.update(attemptStates).set({ state: nothing }).run();
    expect(rebuildStates(school.db).changed).toEqual([attemptId]);
    school.services.states.forget(attemptId);
    expect(answered()).toBe(count);
    expect(school.db.select().from(attempts).get()?.sheetRow).toBe(stored?.sheetRow);
  });
});

describe('the window', () => {
  const window = { dueAt: '2026-11-24T11:00', closesAt: '2026-11-24T12:00' };
  const closesAt = Date.UTC(2026, 10, 24, 11);

  test('work done in time and sent after closing is kept, shown to the teacher, and counts once they say so', async () => {
    const { assignmentId, flush, answered } = await begin(window);
    const events = walkOffline(closesAt - 30 * minute);
    school.clock.now = closesAt + 8 * 60 * minute;
    expect(new Set(await flush(events))).toEqual(new Set(['afterClosing']));
    expect(answered()).toBe(0);
    const adaeze = school.as('adaeze');
    const at = `/api/assignments/${assignmentId}/students/imani`;
    const { state } = (await adaeze.ask('GET', at)).body;
    expect(state.afterClosing).toMatchObject({ answers: count, events: events.length, arrivedAt: school.clock.now });
    const sheet = (await adaeze.ask('GET', `/api/assignments/${assignmentId}/sheet`)).body;
    const line = sheet.students.find((one: { studentId: string }) => one.studentId === 'imani');
    expect(decodeSheetRow(line.row).waitingSteps).toBe(events.length);
    for (const other of ['bruno', 'stranger', 'imani'])
      expect((await school.as(other).ask('POST', `${at}/admission`)).status).toBe(404);
    expect((await adaeze.ask('POST', `${at}/admission`)).body.state.afterClosing).toBeUndefined();
    expect(answered()).toBe(count);
    expect((await adaeze.ask('POST', `${at}/admission`)).status).toBe(404);
    expect(rebuildStates(school.db).changed).toEqual([]);
    // What is sent again was kept already.
    expect(new Set(await flush(events.slice(-20)))).toEqual(new Set(['repeated']));
  });

  test('what is done after closing is refused, and nothing is written of it', async () => {
    const { send } = await begin(window);
    school.clock.now = closesAt + 5_000;
    const refused = await send(walkOffline(closesAt + 1).slice(0, 50));
    expect([refused.status, refused.body.code]).toEqual([409, 'windowClosed']);
    expect(school.db.select().from(attemptEvents).all()).toEqual([]);
  });

  test('a window that is changed later judges nothing that came in before', async () => {
    const { assignmentId, flush, answered } = await begin();
    const events = walkOffline(school.clock.now);
    school.clock.now += 20 * minute;
    await flush(events);
    school.clock.now += minute;
    const earlier = { opensAt: null, dueAt: null, closesAt: '2026-11-24T10:01' };
    await school.as('adaeze').ask('PATCH', `/api/assignments/${assignmentId}/window`, earlier);
    expect(rebuildStates(school.db).changed).toEqual([]);
    expect(answered()).toBe(count);
  });

  test('who has left the class writes no more', async () => {
    const { send } = await begin();
    school.services.roster.remove('amber', 'imani');
    school.clock.now += 1;
    const { status, body } = await send(walkOffline(school.clock.now).slice(0, 1));
    expect([status, body.code]).toEqual([409, 'windowClosed']);
  });
});

describe('no row that was ever stored makes a page fail', () => {
  test.each(['{}', '[]', 'null', '"words"', '[[1,2],[],""]', '[[0,0,1,1,1,null,null],[0,0,100],"#"]'])(
    '%s',
    async (row) => {
      const { assignmentId, flush } = await begin();
      await flush(walkOffline(school.clock.now, 1));
      const sheetOf = async () => (await school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/sheet`)).body;
      const before = await sheetOf();
      school.db.update(attempts).set({ sheetRow: row, reducer: 0 }).run();
      school.db
        .update(attemptStates)
        .set({ state: JSON.parse(row) ?? {} })
        .run();
      for (const { id } of school.db.select().from(attempts).all()) school.services.states.forget(id);
      for (const place of ['/api/todo', '/api/feedback']) expect((await imani.ask('GET', place)).status).toBe(200);
      expect(await sheetOf()).toEqual(before);
      for (const place of ['sheet.csv', 'students/imani', 'marking', 'walked-path'])
        expect(
          (await school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/${place}`)).status,
          place,
        ).toBeLessThan(500);
    },
  );
});
