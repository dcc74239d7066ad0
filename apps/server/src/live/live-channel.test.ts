import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../packages/core/src/test/bridge-lesson.ts';
import { createEventBus } from '../events/event-bus.ts';
import { createSender, type School, startSchool } from '../test/harness.ts';
import { createChangeLog } from './change-log.ts';

describe('the log of changes', () => {
  const start = () => {
    const bus = createEventBus({ error: () => undefined } as never);
    const changes = createChangeLog({ bus });
    const happen = (studentId: string) => bus.publish('recipientChanged', { assignmentId: 'a', studentId });
    return { changes, happen };
  };

  test('tells what happened after a version, and nothing twice', () => {
    const { changes, happen } = start();
    happen('before');
    const version = changes.version();
    expect(changes.since(version)).toEqual([]);
    for (const id of ['one', 'two']) happen(id);
    const since = changes.since(version);
    expect(since?.map(({ studentId }) => studentId)).toEqual(['one', 'two']);
    expect(changes.since(since?.[0]?.version ?? '')?.map(({ studentId }) => studentId)).toEqual(['two']);
    expect(since?.at(-1)?.version).toBe(changes.version());
  });

  test('does not know what was long ago, of another run, or never', () => {
    const { changes, happen } = start();
    const first = changes.version();
    for (let i = 0; i < 6_000; i++) happen(`student-${i}`);
    expect(changes.since(first)).toBeNull();
    expect(changes.since(start().changes.version())).toBeNull();
    const [run, number] = changes.version().split('.');
    for (const wrong of ['', 'words', `${run}.x`, `${run}.${Number(number) + 1}`])
      expect(changes.since(wrong)).toBeNull();
    const latest = changes.version();
    happen('latest');
    expect(changes.since(latest)?.map(({ studentId }) => studentId)).toEqual(['latest']);
  });
});

describe('who watches', () => {
  let school: School;
  beforeEach(async () => {
    school = await startSchool();
    school.addMaterial('film', 60_000);
  });
  afterEach(() => school.stop());

  /** A stream, and the messages that came over it. */
  async function watch(who: string, query: string, headers: Record<string, string> = {}) {
    const stream = await fetch(`${school.base}/api/live?${query}`, {
      headers: { cookie: school.as(who).cookie, ...headers },
    });
    expect(stream.status).toBe(200);
    const reader = (stream.body as ReadableStream<Uint8Array>).getReader();
    let text = '';
    return {
      close: () => reader.cancel(),
      /** The next so many messages: name, data and version. */
      async next(count: number) {
        const read = () =>
          text.split('\n\n').flatMap((block) => {
            const field = (name: string) => new RegExp(`^${name}:(.*)$`, 'm').exec(block)?.[1];
            const [name, data, version] = [field('event'), field('data'), field('id')];
            return name && data && version ? [{ name, data: JSON.parse(data), version }] : [];
          });
        while (!text.endsWith('\n\n') || read().length < count) {
          const { done, value } = await reader.read();
          if (done) throw new Error(`The stream ended with ${text}`);
          text += new TextDecoder().decode(value);
        }
        const messages = read();
        text = '';
        return messages;
      },
    };
  }

  const sheetOf = async (assignmentId: string) =>
    (await school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/sheet`)).body;

  test('goes on from what is shown: nothing between reading a sheet and opening its stream is lost', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    const { version } = await sheetOf(assignmentId);
    const { body } = await school.as('imani').ask('PUT', `/api/assignments/${assignmentId}/walk`);
    const event = createSender(school.clock);
    const send = () =>
      school.as('imani').ask('POST', `/api/attempts/${body.attemptId}/events`, { events: [event({ type: 'opened' })] });
    await send();
    const query = `on=sheet:${assignmentId}&since=${version}`;
    const stream = await watch('adaeze', query);
    const [missed] = await stream.next(1);
    expect(missed).toMatchObject({ name: 'line', data: { assignmentId, line: { studentId: 'imani' } } });
    await stream.close();
    await send();
    // A browser that lost its line says what it was told last, whatever its address says.
    const again = await watch('adaeze', query, { 'last-event-id': missed?.version ?? '' });
    const [next] = await again.next(1);
    expect(next?.version).toBe((await sheetOf(assignmentId)).version);
    await again.close();
    const old = await watch('adaeze', `on=sheet:${assignmentId}&since=of-long-ago.3`);
    expect(await old.next(1)).toMatchObject([{ name: 'askAgain' }]);
    await old.close();
  });

  test('a student is told of what others do, and not of their own steps', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    const imani = school.as('imani');
    const { body } = await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`);
    const stream = await watch('imani', `on=own&since=${body.version}`);
    const other = await watch('tomas', 'on=own');
    const event = createSender(school.clock);
    for (const one of wholeWalk) {
      school.clock.now += 60_000;
      await imani.ask('POST', `/api/attempts/${body.attemptId}/events`, { events: [event(one)] });
    }
    const adaeze = school.as('adaeze');
    const mark = { stopId: 's-two', questionId: 'q-written', points: 300, comment: 'Say why.' };
    await adaeze.ask('POST', `/api/assignments/${assignmentId}/students/imani/marks`, mark);
    const change = { kind: 'anotherAttempt' };
    await adaeze.ask('POST', `/api/assignments/${assignmentId}/adjustments`, { studentIds: ['imani'], change });
    const window = { opensAt: null, dueAt: '2026-11-30T12:00', closesAt: null };
    await adaeze.ask('PATCH', `/api/assignments/${assignmentId}/window`, window);
    const told = await stream.next(3);
    expect(told.map(({ name, data }) => [name, data])).toEqual(Array(3).fill(['changed', { assignmentId }]));
    // Dates are everybody's; the mark was not.
    expect((await other.next(1)).map(({ name }) => name)).toEqual(['changed']);
    for (const one of [stream, other]) await one.close();
  });

  test('a sheet is told of who joins and who leaves, and each teacher of their own students', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson, undefined, {}, [{ kind: 'class', id: 'amber' }]);
    const stream = await watch('adaeze', `on=sheet:${assignmentId}`);
    school.addStudents(['rin']);
    expect((await stream.next(1))[0]).toMatchObject({ name: 'line', data: { line: { studentId: 'rin', row: null } } });
    school.clock.now += 1_000;
    school.services.roster.remove('amber', 'rin');
    expect((await stream.next(1))[0]?.data.line).toMatchObject({ studentId: 'rin', leftAt: school.clock.now });
    await stream.close();
  });
});
