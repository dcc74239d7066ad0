import type { LearnerEventBody } from '@semita/core/attempt';
import type { SentEvent } from '@semita/core/contract';
import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { attemptEvents, attemptStates } from '../../db/schema.ts';
import { type Client, createSender, type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from './rebuild-states.ts';

let school: School;
let imani: Client;
let attemptId: string;
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  school.addMaterial('picture', 0);
  imani = school.as('imani');
  const { assignmentId } = await school.assignLesson(lessonOf([everyKind.extendedText, everyKind.upload]));
  attemptId = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body.attemptId;
});
afterEach(() => school.stop());

const send = (events: readonly SentEvent[]) => imani.ask('POST', `/api/attempts/${attemptId}/events`, { events });
const draft = (text: string): LearnerEventBody => ({
  type: 'draftSaved',
  stopId: 'stop',
  questionId: 'q-written',
  response: { kind: 'extendedText', text },
});
const logLength = () =>
  school.db
    .select({ sum: sql<number>`sum(length(${attemptEvents.body}))` })
    .from(attemptEvents)
    .get()?.sum ?? 0;
const stateLength = () => JSON.stringify(school.services.states.read(attemptId).state).length;

describe('one student', () => {
  test('with a new sitting for every event is no slower, and takes no more room', async () => {
    const sitting = () => ({ type: 'opened', id: v7(), sittingId: v7(), n: 0, at: school.clock.now }) as const;
    const timeOf = async () => {
      const before = performance.now();
      await send(Array.from({ length: 100 }, sitting));
      return performance.now() - before;
    };
    for (let i = 0; i < 5; i++) await timeOf();
    const length = stateLength();
    expect(Math.min(await timeOf(), await timeOf(), await timeOf())).toBeLessThan(500);
    expect(stateLength()).toBeLessThan(length + 200);
    expect(length).toBeLessThan(15_000);
    expect(rebuildStates(school.db).changed).toEqual([]);
  });

  test('that is sent again by a sitting nobody remembers counts once', async () => {
    const event = createSender(school.clock);
    const first = event({ type: 'reachedStop', stopId: 'stop' });
    await send([first]);
    for (let i = 0; i < 60; i++) {
      school.clock.now += 1_000;
      await send([{ type: 'opened', id: v7(), sittingId: v7(), n: 0, at: school.clock.now }]);
    }
    expect((await send([first])).body.outcomes).toMatchObject([{ kind: 'repeated' }]);
    expect(rebuildStates(school.db).changed).toEqual([]);
  });

  test('whose merged drafts are sent again by a sitting nobody remembers repeats them', async () => {
    const event = createSender(school.clock);
    await send([event({ type: 'reachedStop', stopId: 'stop' })]);
    const drafts: SentEvent[] = [];
    for (const text of ['One', 'One two', 'One two three']) {
      school.clock.now += 3_000;
      drafts.push(event(draft(text)));
      await send(drafts.slice(-1));
    }
    for (let i = 0; i < 60; i++) {
      school.clock.now += 1_000;
      await send([{ type: 'opened', id: v7(), sittingId: v7(), n: 0, at: school.clock.now }]);
    }
    const { outcomes } = (await send(drafts)).body;
    expect(outcomes.map(({ kind }: { kind: string }) => kind)).toEqual(['repeated', 'repeated', 'repeated']);
    expect(school.services.states.read(attemptId).state.stops.stop?.drafts['q-written']).toMatchObject({
      text: 'One two three',
    });
  });

  test('that sends long drafts before what they follow holds little of them', async () => {
    const event = createSender(school.clock);
    event({ type: 'opened' });
    const kinds: string[] = [];
    for (let i = 0; i < 12; i++) kinds.push((await send([event(draft('x'.repeat(24_000)))])).body.outcomes[0].kind);
    expect(kinds.filter((kind) => kind === 'tooEarly').length).toBeGreaterThan(8);
    expect(stateLength()).toBeLessThan(80_000);
    expect(logLength()).toBeLessThan(80_000);
  });

  test('whose events are refused leaves no more than that they were', async () => {
    const event = createSender(school.clock);
    for (let i = 0; i < 20; i++) await send([event(draft('x'.repeat(24_000)))]);
    expect(logLength()).toBeLessThan(20 * 100);
    expect(rebuildStates(school.db).changed).toEqual([]);
  });

  test('cannot send a body of megabytes', async () => {
    const event = createSender(school.clock);
    const many = Array.from({ length: 90 }, () => event(draft('x'.repeat(24_000))));
    expect((await send(many)).status).toBe(413);
  });

  test('and files that are sent side by side stay within what there is room for', async () => {
    const files = Array.from({ length: 203 }, (_, i) =>
      imani.ask('POST', `/api/attempts/${attemptId}/files/notes-${i}.txt`, Buffer.from(`Notes ${i}`)),
    );
    const statuses = (await Promise.all(files)).map(({ status }) => status);
    expect(statuses.filter((status) => status === 200)).toHaveLength(200);
    expect(statuses.filter((status) => status === 422)).toHaveLength(3);
  });
});

describe('drafts', () => {
  test('of ten minutes of writing leave one line in the log, and come to the same state', async () => {
    const event = createSender(school.clock);
    await send([event({ type: 'opened' }), event({ type: 'reachedStop', stopId: 'stop' })]);
    let text = '';
    for (let i = 0; i < 200; i++) {
      school.clock.now += 3_000;
      text += 'A word more. ';
      await send([event(draft(text))]);
    }
    const rows = school.db.select().from(attemptEvents).all();
    // What was in the state when that was stored stays as it is; of what came since, one line.
    expect(rows.length).toBeLessThan(12);
    expect(logLength()).toBeLessThan(text.length + 2_000);
    const { state } = school.services.states.read(attemptId);
    expect(state.stops.stop?.drafts['q-written']).toEqual({ kind: 'extendedText', text });
    expect(state.timeSpentMs).toBe(600_000);
    expect(state.version).toBe(202);
    expect(rebuildStates(school.db).changed).toEqual([]);
    school.services.states.forget(attemptId);
    expect(school.services.states.read(attemptId).state).toEqual(state);
  });

  test('the state is written every so often, and nothing is lost in between', async () => {
    const event = createSender(school.clock);
    await send([event({ type: 'opened' }), event({ type: 'reachedStop', stopId: 'stop' })]);
    const stored = () => school.db.select().from(attemptStates).get()?.state.version;
    for (let i = 0; i < 60; i++) {
      await send([event({ type: i % 2 === 0 ? 'hidden' : 'shown' })]);
      if (i === 20) expect(stored()).toBe(0);
    }
    expect(stored()).toBe(50);
    const before = school.services.states.read(attemptId).state;
    school.services.states.forget(attemptId);
    expect(school.services.states.read(attemptId).state).toEqual(before);
  });
});
