import type { SentEvent } from '@semita/core/contract';
import { expect, test } from 'vitest';
import { ApiError } from '../../api/api-error.ts';
import type { Outbox } from './outbox.ts';
import { sendLeftOver } from './send-left-over.ts';

const event = (n: number): SentEvent => ({ type: 'opened', id: `e-${n}`, sittingId: 'a', n, at: n });

/** An outbox in memory, which keeps what is added in its order as the real one does. */
function boxOf(events: SentEvent[]): Outbox & { readonly left: () => SentEvent[] } {
  let left = events;
  return {
    left: () => left,
    add: async (_attempt, one) => void left.push(one),
    list: async () => [...left],
    remove: async (_attempt, ids) => {
      left = left.filter(({ id }) => !ids.has(id));
    },
    listAttempts: async () => (left.length > 0 ? ['attempt'] : []),
    clear: async () => {
      left = [];
    },
  };
}

/** A server that cannot read some numbers, whether they hold something or a gap. */
function serverThat({ cannotRead = [], notEvenGaps = false }: { cannotRead?: number[]; notEvenGaps?: boolean }) {
  const taken: SentEvent[] = [];
  let requests = 0;
  const send = async (_attempt: string, events: SentEvent[]) => {
    if (++requests > 100) throw new Error('asked for ever');
    const bad = events.find(({ n, type }) => cannotRead.includes(n) && (notEvenGaps || type !== 'gap'));
    if (bad) throw new ApiError('inputInvalid');
    taken.push(...events);
    return { outcomes: events.map(({ id }) => ({ id, kind: 'taken' as const })) };
  };
  return { send, taken };
}

test('one event that cannot be read keeps none of the others back', async () => {
  const box = boxOf(Array.from({ length: 30 }, (_, n) => event(n)));
  const { send, taken } = serverThat({ cannotRead: [7, 19] });
  expect(await sendLeftOver(box, send)).toEqual({ sent: 30, kept: 0, afterClosing: 0 });
  expect(taken.map(({ n }) => n)).toEqual(Array.from({ length: 30 }, (_, n) => n));
  expect(taken.filter(({ type }) => type === 'gap').map(({ n }) => n)).toEqual([7, 19]);
  expect(box.left()).toEqual([]);
});

test('one of which not even the gap can be read is let go, and is not sent for ever', async () => {
  const box = boxOf([event(0), event(1), event(2)]);
  const { send, taken } = serverThat({ cannotRead: [1], notEvenGaps: true });
  await sendLeftOver(box, send);
  expect(taken.map(({ n }) => n)).toEqual([0, 2]);
  expect(box.left()).toEqual([]);
});

test('without a connection all of it stays', async () => {
  const box = boxOf([event(0), event(1)]);
  const offline = async () => {
    throw new ApiError('offline');
  };
  expect(await sendLeftOver(box, offline)).toEqual({ sent: 0, kept: 2, afterClosing: 0 });
  expect(box.left()).toHaveLength(2);
});
