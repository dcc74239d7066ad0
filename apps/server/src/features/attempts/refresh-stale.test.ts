import { pino } from 'pino';
import { expect, test, vi } from 'vitest';
import { createRefreshStale } from './refresh-stale.ts';

const log = pino({ level: 'silent' });
const ids = Array.from({ length: 120 }, (_, i) => `attempt-${String(i).padStart(3, '0')}`);

function setUp(read: (attemptId: string) => void) {
  const done = new Set<string>();
  const refreshing = createRefreshStale({
    log,
    attempts: {
      listStale: (afterId, limit) => ids.filter((id) => id > afterId && !done.has(id)).slice(0, limit),
    },
    states: {
      read: (attemptId) => {
        read(attemptId);
        done.add(attemptId);
        return {} as never;
      },
    },
  });
  return { refreshing, done };
}

test('all are computed anew, one after the other, and one that cannot be read is passed', () => {
  vi.useFakeTimers();
  const { refreshing, done } = setUp((attemptId) => {
    if (attemptId === 'attempt-007') throw new Error('of no shape');
  });
  refreshing.start();
  // The first at once, the others in turns of their own.
  expect(done.size).toBe(1);
  vi.runAllTimers();
  expect(done.size).toBe(ids.length - 1);
  vi.useRealTimers();
});

test('nothing is read after it was stopped', () => {
  vi.useFakeTimers();
  const { refreshing, done } = setUp(() => undefined);
  refreshing.start();
  refreshing.stop();
  vi.runAllTimers();
  expect(done.size).toBe(1);
  vi.useRealTimers();
});
