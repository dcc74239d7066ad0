// @vitest-environment jsdom
import { allShown } from '@semita/core/assignment';
import { type AttemptState, beginAttempt, defaultTerms, type LearnerEventBody } from '@semita/core/attempt';
import type { IntakeAnswer, SentEvent } from '@semita/core/contract';
import { learnerView } from '@semita/core/learner';
import { createContext } from '@semita/core/own-lesson';
import { takeIn } from '@semita/core/reducer';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { ApiError } from '../../api/api-error.ts';
import type { Outbox } from '../outbox/outbox.ts';
import { sendLeftOver } from '../outbox/send-left-over.ts';
import { createWalkSession } from './walk-session.ts';

beforeEach(() => {
  vi.useFakeTimers({ now: 1_000_000 });
});
afterEach(() => {
  vi.useRealTimers();
  setVisibility('visible');
});

function setVisibility(state: 'hidden' | 'visible') {
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });
  document.dispatchEvent(new Event('visibilitychange'));
}

/** A device's store that outlives its pages. */
function createOutbox(): Outbox & { rows: { attemptId: string; event: SentEvent }[] } {
  const box = {
    rows: [] as { attemptId: string; event: SentEvent }[],
    add: async (attemptId: string, event: SentEvent) => {
      box.rows.push({ attemptId, event });
    },
    list: async (attemptId: string) => box.rows.filter((row) => row.attemptId === attemptId).map((row) => row.event),
    remove: async (attemptId: string, ids: ReadonlySet<string>) => {
      box.rows = box.rows.filter((row) => row.attemptId !== attemptId || !ids.has(row.event.id));
    },
    listAttempts: async () => [...new Set(box.rows.map((row) => row.attemptId))],
    clear: async () => {
      box.rows = [];
    },
  };
  return box;
}

/** The server's side of one attempt: the same reducer, with the keys, and a line that can be cut. */
function createServer() {
  const context = createContext(bridgeLesson, defaultTerms);
  const server = {
    state: beginAttempt({ begunAt: Date.now(), secret: 'of a test' }) as AttemptState,
    requests: [] as SentEvent[][],
    trouble: null as ApiError | 'answerLost' | null,
    view: () => learnerView(bridgeLesson, server.state, defaultTerms, allShown),
    send: async (events: SentEvent[]): Promise<IntakeAnswer> => {
      if (server.trouble instanceof ApiError) throw server.trouble;
      server.requests.push(events);
      const outcomes = events.map((event) => {
        const result = takeIn(context, server.state, { ...event, receivedAt: Date.now() });
        server.state = result.state;
        return { id: event.id, ...result.outcome };
      });
      if (server.trouble === 'answerLost') throw new ApiError('offline');
      return { outcomes, version: server.state.version, now: Date.now(), view: server.view() as never };
    },
  };
  return server;
}

let idCount = 0;

/** Opens the walk on a device: a page with a session, until it is closed. */
async function openPage(server = createServer(), outbox = createOutbox()) {
  const session = createWalkSession({
    attemptId: 'attempt',
    assignmentId: 'assignment',
    terms: defaultTerms,
    view: server.view(),
    serverNow: Date.now(),
    leftOver: await outbox.list('attempt'),
    outbox,
    send: (events) => server.send(events),
    refresh: async () => server.view(),
    newId: () => `id-${idCount++}`,
  });
  const close = session.start();
  const walk = async (bodies: readonly LearnerEventBody[]) => {
    for (const body of bodies) {
      vi.advanceTimersByTime(20_000);
      session.record(body);
    }
  };
  return { server, outbox, session, close, walk, link: () => session.getSnapshot().link };
}

const toFirstStop = wholeWalk.slice(1, 3);
const answerFirst = wholeWalk[3] as LearnerEventBody;
const settle = () => vi.advanceTimersByTimeAsync(2_000);

test('what happens is shown at once, sent a moment later, and kept until it is confirmed', async () => {
  const { server, outbox, session, walk, link } = await openPage();
  await walk(toFirstStop);
  expect(session.getSnapshot().state.stops['s-one']?.phase).toBe('open');
  await settle();
  expect(link()).toBe('saved');
  expect(outbox.rows).toEqual([]);
  expect(server.state.stops['s-one']?.phase).toBe('open');
});

test('an answer is marked by the server alone', async () => {
  const { session, walk } = await openPage();
  await walk([...toFirstStop, answerFirst]);
  expect(session.getSnapshot().results['q-one']).toBeUndefined();
  expect(session.getSnapshot().state.stops['s-one']?.answers['q-one']?.points).toBeNull();
  await settle();
  expect(session.getSnapshot().results['q-one']).toMatchObject({
    points: 200,
    answerKey: { kind: 'choice', optionIds: ['o-compression'] },
  });
});

test('what the rules refuse is not recorded at all', async () => {
  const { outbox, session } = await openPage();
  const before = outbox.rows.length;
  expect(session.record(answerFirst)).toBe('refused');
  expect(outbox.rows).toHaveLength(before);
});

describe('without a connection', () => {
  test('the walk goes on to the end, and every event is taken exactly once when it is back', async () => {
    const { server, outbox, session, walk, link } = await openPage();
    await settle();
    server.trouble = new ApiError('offline');
    await walk(wholeWalk.slice(1));
    await settle();
    expect(link()).toBe('offline');
    expect(session.getSnapshot().state.handedInAt).not.toBeNull();
    expect(outbox.rows).toHaveLength(wholeWalk.length - 1);

    server.trouble = null;
    window.dispatchEvent(new Event('online'));
    await settle();
    expect([link(), outbox.rows.length]).toEqual(['saved', 0]);
    expect(server.state.handedInAt).not.toBeNull();
    expect(server.state.version).toBe(wholeWalk.length);
  });

  test('it is tried again, less and less often', async () => {
    const { server, walk } = await openPage();
    await settle();
    const tries = vi.spyOn(server, 'send');
    server.trouble = new ApiError('offline');
    await walk(toFirstStop.slice(0, 1));
    await vi.advanceTimersByTimeAsync(60_000);
    const many = tries.mock.calls.length;
    expect(many).toBeGreaterThan(4);
    expect(many).toBeLessThan(10);
  });

  test('a page that is closed leaves its events to the next one', async () => {
    const first = await openPage();
    await settle();
    first.server.trouble = new ApiError('offline');
    await first.walk([...toFirstStop, answerFirst]);
    first.close();
    await settle();

    const second = await openPage(first.server, first.outbox);
    expect(second.session.getSnapshot().state.stops['s-one']?.phase).toBe('answered');
    first.server.trouble = null;
    await vi.advanceTimersByTimeAsync(20_000);
    expect(second.session.getSnapshot().results['q-one']?.points).toBe(200);
    expect(second.outbox.rows).toEqual([]);
  });

  test('an answer of the server that is lost on the way does no harm', async () => {
    const { server, outbox, session, walk } = await openPage();
    await settle();
    server.trouble = 'answerLost';
    await walk([...toFirstStop, answerFirst]);
    await settle();
    const version = server.state.version;
    server.trouble = null;
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.state.version).toBe(version);
    expect(outbox.rows).toEqual([]);
    expect(session.getSnapshot().results['q-one']?.points).toBe(200);
  });
});

describe('two devices', () => {
  test('what another device did first is shown, and said', async () => {
    const { server, session, walk } = await openPage();
    await walk(toFirstStop);
    await settle();
    const other = await openPage(server, createOutbox());
    await other.walk([answerFirst]);
    await settle();
    await walk([
      { ...answerFirst, responses: { 'q-one': { kind: 'choice', optionIds: ['o-tension'] } } } as LearnerEventBody,
    ]);
    await settle();
    const snapshot = session.getSnapshot();
    expect(snapshot.overtaken).toBe(true);
    expect(snapshot.state.stops['s-one']?.answers['q-one']?.response).toEqual({
      kind: 'choice',
      optionIds: ['o-compression'],
    });
  });

  test('coming back to a page shows how it stands now', async () => {
    const { server, session, walk } = await openPage();
    await walk(toFirstStop);
    await settle();
    setVisibility('hidden');
    await settle();
    const other = await openPage(server, createOutbox());
    await other.walk([answerFirst]);
    await settle();
    other.close();
    setVisibility('visible');
    await settle();
    expect(session.getSnapshot().state.stops['s-one']?.phase).toBe('answered');
  });
});

test('a page on its way out sends what it still has', async () => {
  const { server, walk } = await openPage();
  await settle();
  const keepalive = vi.spyOn(server, 'send');
  await walk(toFirstStop.slice(0, 1));
  window.dispatchEvent(new Event('pagehide'));
  expect(keepalive).toHaveBeenCalled();
});

test.each([
  ['notSignedIn', 'signedOut'],
  ['windowClosed', 'closed'],
  ['notFound', 'closed'],
] as const)('%s: the work stays on the device, and the page says %s', async (code, expected) => {
  const { server, outbox, walk, link } = await openPage();
  await settle();
  server.trouble = new ApiError(code);
  await walk(toFirstStop);
  await settle();
  expect(link()).toBe(expected);
  expect(outbox.rows).toHaveLength(2);
});

test('an event that the server cannot read is set aside and told of, and those around it are taken', async () => {
  vi.spyOn(console, 'error').mockImplementation(() => undefined);
  const { server, outbox, session, walk, link } = await openPage();
  await settle();
  server.trouble = new ApiError('offline');
  await walk(toFirstStop);
  session.record({ type: 'paused', partId: 'clip', atMs: 13_000 });
  session.record({ type: 'paused', partId: 'clip', atMs: 14_000 });
  const send = server.send;
  server.send = async (events) => {
    if (events.some((event) => event.type === 'paused' && event.atMs === 13_000)) throw new ApiError('inputInvalid');
    return send(events);
  };
  server.trouble = null;
  await vi.advanceTimersByTimeAsync(20_000);
  expect(link()).toBe('saved');
  expect(outbox.rows).toEqual([]);
  expect(session.getSnapshot().untaken).toMatchObject({ setAside: 1 });
  expect(server.state.stops['s-one']?.phase).toBe('open');
  expect(server.state.parts.clip?.positionMs).toBe(14_000);
});

test('a teacher’s event that nobody here made is taken in', async () => {
  const { server, session } = await openPage();
  await settle();
  server.state = { ...server.state, version: server.state.version + 1, extraTime: 2 };
  session.record({ type: 'sought', partId: 'clip', fromMs: 10_000, toMs: 10_000 });
  const send = server.send;
  server.send = async (events) => ({ ...(await send(events)), view: undefined });
  await settle();
  expect(session.getSnapshot().state.extraTime).toBe(2);
});

describe('work left over on a device', () => {
  async function leaveWork() {
    const page = await openPage();
    await settle();
    page.server.trouble = new ApiError('offline');
    await page.walk(wholeWalk.slice(1));
    page.close();
    await settle();
    return page;
  }

  test('is sent without opening the lesson again', async () => {
    const { server, outbox } = await leaveWork();
    server.trouble = null;
    expect((await sendLeftOver(outbox, (_, events) => server.send(events))).sent).toBe(wholeWalk.length - 1);
    expect(server.state.handedInAt).not.toBeNull();
    expect(outbox.rows).toEqual([]);
  });

  test('stays while there is no connection', async () => {
    const { server, outbox } = await leaveWork();
    expect(await sendLeftOver(outbox, (_, events) => server.send(events))).toMatchObject({
      sent: 0,
      kept: wholeWalk.length - 1,
    });
    expect(outbox.rows).toHaveLength(wholeWalk.length - 1);
  });

  test("another student's stays too, and does not keep mine back", async () => {
    const { server, outbox } = await leaveWork();
    const mine = outbox.rows;
    outbox.rows = [{ attemptId: 'theirs', event: { ...(mine[0]?.event as SentEvent), id: 'x' } }, ...mine];
    server.trouble = null;
    await sendLeftOver(outbox, (attemptId, events) =>
      attemptId === 'attempt' ? server.send(events) : Promise.reject(new ApiError('notFound')),
    );
    expect(outbox.rows.map((row) => row.attemptId)).toEqual(['theirs']);
  });
});
