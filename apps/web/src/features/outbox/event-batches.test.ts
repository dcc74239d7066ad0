import type { SentEvent } from '@semita/core/contract';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ApiError } from '../../api/api-error.ts';
import { gapFor, isUnreadable, lastBatch, maxPerBatch, nextBatch } from './event-batches.ts';

const draft = (n: number, length: number): SentEvent => ({
  ...{ type: 'draftSaved', stopId: 's', questionId: 'q', id: `e-${n}`, sittingId: 'a', n, at: n },
  response: { kind: 'extendedText', text: 'x'.repeat(length) },
});

test('events go out in their order, in requests that a server takes, and none is left behind', () => {
  const lengths = fc.array(fc.nat(120_000), { minLength: 1, maxLength: 120 });
  fc.assert(
    fc.property(lengths, fc.integer({ min: 1, max: maxPerBatch }), (sizes, count) => {
      let left = sizes.map((size, n) => draft(n, size));
      const sent: SentEvent[] = [];
      while (left.length > 0) {
        const batch = nextBatch(left, { count });
        expect(batch.length).toBeGreaterThan(0);
        expect(batch.length).toBeLessThanOrEqual(count);
        if (batch.length > 1) expect(JSON.stringify(batch).length).toBeLessThan(201_000);
        sent.push(...batch);
        left = left.slice(batch.length);
      }
      expect(sent.map(({ n }) => n)).toEqual(sizes.map((_, n) => n));
    }),
    { numRuns: 40 },
  );
});

test('a page on its way out sends what a browser still takes, and nothing it would refuse', () => {
  expect(lastBatch([draft(0, 10), draft(1, 100_000)]).map(({ n }) => n)).toEqual([0]);
  expect(lastBatch([draft(0, 100_000), draft(1, 10)])).toEqual([]);
});

describe('an event that cannot be read', () => {
  test.each([
    ['inputInvalid', true],
    ['bodyTooLarge', true],
    ['offline', false],
    ['internal', false],
    ['diskFull', false],
    ['notSignedIn', false],
  ] as const)('%s: %s', (code, unreadable) => {
    expect(isUnreadable(new ApiError(code))).toBe(unreadable);
  });

  test('leaves a gap in its place, so that those behind it count', () => {
    expect(gapFor(draft(7, 10))).toEqual({ type: 'gap', id: 'e-7', sittingId: 'a', n: 7, at: 7 });
  });
});
