import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { ApiError } from '../api/api-error.ts';
import { createWholeStore } from './whole-store.ts';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

/** A server of one text, with the rules of the real one, whose line can be cut. */
function start() {
  const server = {
    text: 'first',
    saves: new Set<string>(),
    /** What the next requests meet, first in, first out. */
    troubles: [] as (ApiError | 'answerLost')[],
    sent: [] as string[],
  };
  let ids = 0;
  const store = createWholeStore<string>({
    first: { whole: 'first', print: 'first' },
    async send(whole, before, saveId) {
      const trouble = server.troubles.shift();
      if (trouble instanceof ApiError) throw trouble;
      server.sent.push(whole);
      if (!server.saves.has(saveId)) {
        if (server.text !== before && server.text !== whole) throw new ApiError('draftMoved');
        server.text = whole;
        server.saves.add(saveId);
      }
      if (trouble === 'answerLost') throw new ApiError('offline');
      return { print: whole };
    },
    reload: async () => ({ whole: server.text, print: server.text }),
    newId: () => `save-${ids++}`,
  });
  return { server, store, saving: () => store.getSnapshot().saving };
}

test('the latest is saved a moment after it was written, and in one save', async () => {
  const { server, store, saving } = start();
  store.put('second');
  store.put('third');
  expect([saving(), server.text]).toEqual(['unsaved', 'first']);
  await vi.advanceTimersByTimeAsync(1_000);
  expect([saving(), server.text, server.sent, store.hasUnsaved()]).toEqual(['saved', 'third', ['third'], false]);
});

test('a lost answer is no conflict: the same save is sent again', async () => {
  const { server, store, saving } = start();
  server.troubles.push('answerLost');
  store.put('second');
  expect(await store.flush()).toBe(false);
  expect([saving(), store.hasUnsaved()]).toEqual(['offline', true]);
  store.put('third');
  await vi.advanceTimersByTimeAsync(10_000);
  expect([saving(), server.text]).toEqual(['saved', 'third']);
  expect(server.sent).toEqual(['second', 'second', 'third']);
});

test.each([
  ['keepMine', 'mine'],
  ['dropMine', 'theirs'],
] as const)('what another tab saved is written over only when somebody says so: %s', async (choice, stands) => {
  const { server, store, saving } = start();
  server.text = 'theirs';
  store.put('mine');
  await vi.advanceTimersByTimeAsync(1_000);
  expect([saving(), server.text]).toEqual(['conflict', 'theirs']);
  store.put('mine');
  await vi.advanceTimersByTimeAsync(10_000);
  expect([saving(), server.text]).toEqual(['conflict', 'theirs']);
  expect(store.resolve(choice)).toBe('theirs');
  await vi.advanceTimersByTimeAsync(10_000);
  expect([saving(), server.text]).toEqual(['saved', stands]);
});

test('what the server cannot read is told, and does not stop what comes after', async () => {
  const { server, store, saving } = start();
  server.troubles.push(new ApiError('inputInvalid'));
  store.put('unreadable');
  await vi.advanceTimersByTimeAsync(1_000);
  expect(saving()).toBe('refused');
  store.put('better');
  await vi.advanceTimersByTimeAsync(1_000);
  expect([saving(), server.text]).toEqual(['saved', 'better']);
});

test('signed out, it waits, and goes on by itself', async () => {
  const { server, store, saving } = start();
  server.troubles.push(new ApiError('notSignedIn'));
  store.put('second');
  await vi.advanceTimersByTimeAsync(1_000);
  expect(saving()).toBe('signedOut');
  await vi.advanceTimersByTimeAsync(5_000);
  expect([saving(), server.text]).toEqual(['saved', 'second']);
});
