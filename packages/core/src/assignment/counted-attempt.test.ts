import { describe, expect, test } from 'vitest';
import { type Counted, countedResult, type NumberedAttempt, worthOf } from './counted-attempt.ts';

const attempt = (number: number, earned: number, handedInAt: number | null = number): NumberedAttempt => ({
  ...{ number, earned, handedInAt, possible: 100 },
});

describe('which attempt counts', () => {
  test.each([
    ['last', [attempt(2, 40), attempt(1, 90)], 2],
    ['first', [attempt(2, 40), attempt(1, 90)], 1],
    ['best', [attempt(2, 40), attempt(1, 90), attempt(3, 90)], 3],
    ['last', [attempt(1, 90), attempt(2, 0, null)], 1],
    ['last', [attempt(1, 90, null), attempt(2, 0, null)], 2],
    ['best', [{ ...attempt(1, 8), possible: 10 }, attempt(2, 70)], 1],
  ] as const)('%s of %j', (counted, attempts, number) => {
    expect(countedResult(attempts, { counted }, null)?.attempt.number).toBe(number);
  });
  test('none of none', () => expect(countedResult([], {}, null)).toBeUndefined());
});

describe('what several attempts come to, worked out by hand', () => {
  const hour = 3_600_000;
  const late = { kind: 'worthLess', percentEachDay: 10, maxPercent: 30, graceMinutes: 60 } as const;
  const due = 1_000 * hour;
  // 80 in time; 100, two hours late: one day begun, 10 % less, 90; 100, three days and an hour late: 40 %, but at most 30.
  const three = [attempt(1, 80, due - 1), attempt(2, 100, due + 2 * hour), attempt(3, 100, due + 73 * hour)];
  test.each([
    ['first', 80, 0, 1],
    ['best', 90, 10, 2],
    ['last', 70, 30, 3],
    // (80 + 90 + 70) / 3
    ['mean', 80, 30, 3],
  ] as const)('%s', (counted: Counted, earned, latePercent, number) => {
    const result = countedResult(three, { counted, late }, due);
    expect(result).toMatchObject({ earned, latePercent, attempt: { number } });
  });
  test('a mean of editions with other points goes by shares: 1/2 and 30/40 are 25 of 40', () => {
    const attempts = [
      { ...attempt(1, 10), possible: 20 },
      { ...attempt(2, 30), possible: 40 },
    ];
    expect(countedResult(attempts, { counted: 'mean' }, null)).toMatchObject({ earned: 25, possible: 40 });
  });
  test('what is under way spoils no mean', () => {
    expect(countedResult([attempt(1, 60), attempt(2, 0, null)], { counted: 'mean' }, null)?.earned).toBe(60);
  });
  test('nothing to earn is a mean of nothing', () => {
    const nothing = [
      { ...attempt(1, 0), possible: 0 },
      { ...attempt(2, 0), possible: 0 },
    ];
    expect(countedResult(nothing, { counted: 'mean' }, null)?.earned).toBe(0);
  });
});

test.each([
  // 12 of 15 points that count 20: 16.
  [1_200, 1_500, 2_000, 1_600],
  // 1 of 3 that count 10: 3.33.
  [100, 300, 1_000, 333],
  [0, 0, 1_000, 0],
])('%i of %i hundredths count, of %i, %i', (earned, possible, worth, counts) => {
  expect(worthOf({ earned, possible }, worth)).toBe(counts);
});
