import { expect, test } from 'vitest';
import { createFairQueue, QueueFull } from './fair-queue.ts';

const lane = (schoolId: string, personId: string) => ({ schoolId, personId });

test('turns go round schools and people, whoever asked for more', async () => {
  const queue = createFairQueue({ places: 1, maxWaiting: 100 });
  const order: string[] = [];
  const work = (name: string) => async () => {
    order.push(name);
  };
  const all = [
    ...Array.from({ length: 4 }, (_, i) => queue.run(lane('big', 'greedy'), work(`greedy ${i}`))),
    queue.run(lane('big', 'modest'), work('modest')),
    queue.run(lane('small', 'teacher'), work('other school')),
  ];
  await Promise.all(all);
  expect(order.slice(0, 3)).toEqual(['greedy 0', 'other school', 'modest']);
  expect(order).toHaveLength(6);
});

test('no more is at work than there are places, and a failure frees its own', async () => {
  const queue = createFairQueue({ places: 2, maxWaiting: 100 });
  let running = 0;
  let most = 0;
  const work = async () => {
    most = Math.max(most, ++running);
    await Promise.resolve();
    running--;
    throw new Error('no');
  };
  const results = await Promise.allSettled(Array.from({ length: 9 }, () => queue.run(lane('s', 'p'), work)));
  expect(results.every(({ status }) => status === 'rejected')).toBe(true);
  expect(most).toBe(2);
});

test('who has too much waiting is refused, and others are not', async () => {
  const queue = createFairQueue({ places: 1, maxWaiting: 2 });
  let release = () => {};
  const first = queue.run(
    lane('s', 'p'),
    () =>
      new Promise<void>((resolve) => {
        release = resolve;
      }),
  );
  const rest = [queue.run(lane('s', 'p'), async () => 1), queue.run(lane('s', 'p'), async () => 2)];
  await expect(queue.run(lane('s', 'p'), async () => 3)).rejects.toBeInstanceOf(QueueFull);
  const other = queue.run(lane('s', 'q'), async () => 4);
  release();
  await first;
  expect(await Promise.all([...rest, other])).toEqual([1, 2, 4]);
});
