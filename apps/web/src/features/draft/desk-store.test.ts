import type { Draft } from '@semita/core/contract';
import type { Lesson, LessonChange } from '@semita/core/lesson';
import { applyChanges } from '@semita/core/lesson';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { bridgeLesson } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { ApiError } from '../../api/api-error.ts';
import { createDesk, type Save } from './desk-store.ts';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

/** A server of one draft, with the rules of the real one, whose line can be cut. */
function createServer(lesson: Lesson = bridgeLesson) {
  const server = {
    lesson,
    version: 1,
    sent: [] as LessonChange[][],
    /** What the next requests meet, first in, first out: an error, or an answer that is lost on the way. */
    troubles: [] as (ApiError | 'answerLost')[],
    draft: (): Draft => ({
      id: 'lesson',
      lesson: server.lesson,
      version: server.version,
      updatedAt: 0,
      edition: null,
      materials: [],
      faults: [],
    }),
    saves: new Map<string, number>(),
    send: async ({ baseVersion, saveId, changes }: Save) => {
      const trouble = server.troubles.shift();
      if (trouble instanceof ApiError) throw trouble;
      const before = server.saves.get(saveId);
      if (before !== undefined) return { version: before };
      if (baseVersion !== server.version) throw new ApiError('draftMoved');
      const result = applyChanges(server.lesson, changes);
      if (!result.ok) throw new ApiError('changeImpossible');
      server.sent.push(changes);
      server.lesson = result.lesson;
      server.version++;
      server.saves.set(saveId, server.version);
      if (trouble === 'answerLost') throw new ApiError('offline');
      return { version: server.version };
    },
  };
  return server;
}

let saveCount = 0;

function openDesk(server = createServer()) {
  const desk = createDesk({
    draft: server.draft(),
    send: server.send,
    reload: async () => server.draft(),
    newId: () => `save-${saveCount++}`,
    now: () => Date.now(),
  });
  return { server, desk, title: () => desk.getSnapshot().lesson.title, saving: () => desk.getSnapshot().saving };
}

const setTitle = (title: string): LessonChange => ({ type: 'setTitle', title });
const moveStop = (atMs: number): LessonChange => ({ type: 'moveStop', partId: 'clip', stopId: 's-one', atMs });
const removeStop: LessonChange = { type: 'removeStop', partId: 'clip', stopId: 's-one' };
const atOf = (lesson: Lesson) => lesson.parts[0]?.stops.find((stop) => stop.id === 's-one')?.atMs;

describe('history', () => {
  test('a burst of typing is one step; a pause begins another', () => {
    const { desk, title } = openDesk();
    for (const text of ['A', 'Ar', 'Arc', 'Arch']) {
      desk.apply(setTitle(text));
      vi.advanceTimersByTime(200);
    }
    vi.advanceTimersByTime(2_000);
    desk.apply(setTitle('Arches'));
    desk.undo();
    expect(title()).toBe('Arch');
    desk.undo();
    expect(title()).toBe(bridgeLesson.title);
    expect(desk.getSnapshot().canUndo).toBe(false);
    desk.redo();
    desk.redo();
    expect(title()).toBe('Arches');
    expect(desk.getSnapshot().canRedo).toBe(false);
  });

  test('undo works over everything and after saving, and what is undone is saved too', async () => {
    const { desk, server } = openDesk();
    desk.apply(moveStop(25_000));
    desk.apply(removeStop);
    await desk.flush();
    expect(server.lesson.parts[0]?.stops).toHaveLength(2);
    desk.undo();
    desk.undo();
    await desk.flush();
    expect(atOf(server.lesson)).toBe(20_000);
    expect(server.lesson.parts[0]?.stops).toHaveLength(3);
  });

  test('two stops taken out in a row are two steps', () => {
    const { desk } = openDesk();
    desk.apply(removeStop);
    desk.apply({ type: 'removeStop', partId: 'clip', stopId: 's-two' });
    desk.undo();
    expect(desk.getSnapshot().lesson.parts[0]?.stops).toHaveLength(2);
  });

  test('a new change ends the way forward', () => {
    const { desk } = openDesk();
    desk.apply(setTitle('One'));
    desk.undo();
    desk.apply(moveStop(21_000));
    expect(desk.getSnapshot().canRedo).toBe(false);
  });

  test('what cannot be done changes nothing and is told', () => {
    const { desk, saving } = openDesk();
    expect(desk.apply(moveStop(-1))).toBe(false);
    expect(desk.apply({ type: 'removeStop', partId: 'clip', stopId: 'nowhere' })).toBe(false);
    expect([saving(), desk.getSnapshot().canUndo]).toEqual(['saved', false]);
  });
});

describe('saving', () => {
  test('by itself, a moment after the last change, and only what matters of a burst', async () => {
    const { desk, server, saving } = openDesk();
    const stop = bridgeLesson.parts[0]?.stops[2];
    if (stop?.kind !== 'pause') throw new Error('the third stop of the lesson is a pause');
    for (const note of ['L', 'Lo', 'Look'])
      desk.apply({ type: 'replaceStop', partId: 'clip', stop: { ...stop, note } });
    expect(saving()).toBe('unsaved');
    await vi.advanceTimersByTimeAsync(700);
    expect(server.sent).toEqual([
      [{ type: 'setStopField', partId: 'clip', stopId: stop.id, field: 'note', value: 'Look' }],
    ]);
    expect(saving()).toBe('saved');
    expect(desk.hasUnsaved()).toBe(false);
    desk.undo();
    expect(desk.getSnapshot().lesson).toEqual(bridgeLesson);
  });

  test('changes made while a save is under way follow in a save of their own', async () => {
    const { desk, server, saving } = openDesk();
    desk.apply(setTitle('First'));
    const leave = desk.subscribe(() => {
      if (saving() !== 'saving') return;
      leave();
      desk.apply(moveStop(22_000));
    });
    expect(await desk.flush()).toBe(3);
    expect(server.sent).toHaveLength(2);
  });

  test('without a connection it is tried again, and nothing is lost', async () => {
    const { desk, server, saving } = openDesk();
    server.troubles.push(new ApiError('offline'), new ApiError('internal'));
    desk.apply(setTitle('Kept'));
    await vi.advanceTimersByTimeAsync(700);
    expect(saving()).toBe('offline');
    expect(await Promise.race([desk.flush(), vi.advanceTimersByTimeAsync(1)])).toBeNull();
    await vi.advanceTimersByTimeAsync(4_000);
    expect([saving(), server.lesson.title]).toEqual(['saved', 'Kept']);
  });

  test('signed out: kept, and saved once somebody has signed in again', async () => {
    const { desk, server, saving } = openDesk();
    server.troubles.push(new ApiError('notSignedIn'));
    desk.apply(setTitle('Kept'));
    await vi.advanceTimersByTimeAsync(700);
    expect(saving()).toBe('signedOut');
    await vi.advanceTimersByTimeAsync(4_000);
    expect([saving(), server.lesson.title]).toEqual(['saved', 'Kept']);
  });

  test('what the server cannot read is not sent for ever', async () => {
    const { desk, server, saving } = openDesk();
    server.troubles.push(new ApiError('inputInvalid'), new ApiError('inputInvalid'));
    desk.apply(setTitle('Too much'));
    await vi.advanceTimersByTimeAsync(60_000);
    expect(saving()).toBe('refused');
    expect(server.troubles).toHaveLength(1);
  });

  test('an answer lost on the way is not taken for somebody else', async () => {
    const { desk, server, saving } = openDesk();
    server.troubles.push('answerLost');
    desk.apply(setTitle('Mine'));
    await vi.advanceTimersByTimeAsync(700);
    expect(saving()).toBe('offline');
    await vi.advanceTimersByTimeAsync(4_000);
    expect([saving(), server.lesson.title, desk.getSnapshot().version]).toEqual(['saved', 'Mine', 2]);
  });
});

describe('the same draft in two tabs', () => {
  async function collide() {
    const server = createServer();
    const [mine, theirs] = [openDesk(server), openDesk(server)];
    theirs.desk.apply(removeStop);
    theirs.desk.apply(setTitle('Theirs'));
    await theirs.desk.flush();
    return { server, mine };
  }

  test('the second is asked, and keeps what can be kept', async () => {
    const { server, mine } = await collide();
    mine.desk.apply({ type: 'setPartTitle', partId: 'clip', title: 'My clip' });
    mine.desk.apply(moveStop(24_000));
    await vi.advanceTimersByTimeAsync(700);
    expect(mine.saving()).toBe('conflict');
    expect(server.lesson.title).toBe('Theirs');
    mine.desk.apply({ type: 'setWindow', partId: 'clip', inMs: 11_000, outMs: 50_000 });
    expect(mine.saving()).toBe('conflict');

    mine.desk.resolve('keepMine');
    await vi.advanceTimersByTimeAsync(700);
    // The stop that was moved is gone; the other two changes stand on top of theirs.
    expect(mine.desk.getSnapshot()).toMatchObject({
      saving: 'saved',
      leftOut: [{ whose: 'mine', change: { type: 'moveStop' } }],
    });
    expect(server.lesson).toMatchObject({ title: 'Theirs', parts: [{ title: 'My clip', inMs: 11_000 }] });
  });

  test('where they changed different things, both stand, and nobody is asked', async () => {
    const server = createServer();
    const [mine, theirs] = [openDesk(server), openDesk(server)];
    const stop = bridgeLesson.parts[0]?.stops.find(({ id }) => id === 's-two');
    if (stop?.kind !== 'checkpoint') throw new Error('s-two is a checkpoint');
    const withStem = (at: number, stem: string) => ({
      ...stop,
      questions: stop.questions.map((question, index) => (index === at ? { ...question, stem } : question)),
    });
    theirs.desk.apply({ type: 'replaceStop', partId: 'clip', stop: withStem(0, 'Theirs') });
    await theirs.desk.flush();
    mine.desk.apply({ type: 'replaceStop', partId: 'clip', stop: withStem(1, 'Mine') });
    await vi.advanceTimersByTimeAsync(3_000);
    expect(mine.saving()).toBe('saved');
    const merged = server.lesson.parts[0]?.stops.find(({ id }) => id === 's-two');
    expect(merged?.kind === 'checkpoint' && merged.questions.map(({ stem }) => stem)).toEqual(['Theirs', 'Mine']);
  });

  test('where both wrote the same, what gives way is shown', async () => {
    const { server, mine } = await collide();
    mine.desk.apply(setTitle('Mine'));
    await vi.advanceTimersByTimeAsync(700);
    expect(mine.saving()).toBe('conflict');
    mine.desk.resolve('keepMine');
    await vi.advanceTimersByTimeAsync(3_000);
    expect(server.lesson.title).toBe('Mine');
    expect(mine.desk.getSnapshot().leftOut).toEqual([{ whose: 'theirs', change: setTitle('Theirs') }]);
  });

  test('or drops its own', async () => {
    const { server, mine } = await collide();
    mine.desk.apply(setTitle('Mine'));
    await vi.advanceTimersByTimeAsync(700);
    mine.desk.resolve('dropMine');
    await vi.advanceTimersByTimeAsync(10_000);
    expect([mine.title(), mine.saving(), server.version]).toEqual(['Theirs', 'saved', 2]);
    expect(mine.desk.getSnapshot().canUndo).toBe(false);
    expect(mine.desk.getSnapshot().leftOut).toEqual([{ whose: 'mine', change: setTitle('Mine') }]);
    mine.desk.putAway();
    expect(mine.desk.getSnapshot().leftOut).toEqual([]);
  });
});

test('listeners hear of every change until they leave', () => {
  const { desk } = openDesk();
  const heard = vi.fn();
  const leave = desk.subscribe(heard);
  desk.apply(setTitle('One'));
  const count = heard.mock.calls.length;
  expect(count).toBeGreaterThan(0);
  leave();
  desk.apply(setTitle('Two'));
  expect(heard).toHaveBeenCalledTimes(count);
});
