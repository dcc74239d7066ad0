import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BoardNeed, isNeedMet, isNeedPossible, needDone, needRange, rowsOf } from './board.ts';

const board = (count: number, need: BoardNeed, columns = 3, worths: readonly number[] = []) => ({
  ...{ columns, need },
  tiles: Array.from({ length: count }, (_, index) => ({ id: `t${index}`, worth: worths[index] ?? 1 })),
});
const done = (...numbers: readonly number[]) => new Set(numbers.map((number) => `t${number}`));

describe('what a board asks for', () => {
  test.each<[string, BoardNeed, readonly number[], number, number]>([
    ['any three, none yet', { kind: 'any', count: 3 }, [], 0, 3],
    ['any three, five done', { kind: 'any', count: 3 }, [0, 1, 2, 3, 4], 3, 3],
    ['one of each row, two in the first', { kind: 'eachRow' }, [0, 1], 1, 3],
    ['one of each row, all rows', { kind: 'eachRow' }, [2, 3, 6], 3, 3],
    ['the first and two more, without the first', { kind: 'firstAnd', more: 2 }, [1, 2, 3], 2, 3],
    ['the first and two more', { kind: 'firstAnd', more: 2 }, [0, 4, 6], 3, 3],
    ['worth four', { kind: 'worth', worth: 4 }, [0, 1], 2, 4],
  ])('%s', (_, need, numbers, have, of) => {
    const seven = board(7, need);
    expect(needDone(seven, done(...numbers))).toEqual({ done: have, of });
    expect(isNeedMet(seven, done(...numbers))).toBe(have === of);
  });

  test.each<[string, number, BoardNeed, boolean]>([
    ['four of three', 3, { kind: 'any', count: 4 }, false],
    ['the first and two more of three', 3, { kind: 'firstAnd', more: 2 }, true],
    ['the first and three more of three', 3, { kind: 'firstAnd', more: 3 }, false],
    ['more than all are worth', 3, { kind: 'worth', worth: 4 }, false],
    ['anything of nothing', 0, { kind: 'eachRow' }, false],
  ])('%s can be had: %s', (_, count, need, isPossible) => {
    expect(isNeedPossible(board(count, need))).toBe(isPossible);
  });

  test('rows are filled from the top', () => {
    const tiles = [1, 2, 3, 4].map((id) => ({ id }));
    expect(rowsOf({ columns: 3, tiles }).map((row) => row.map(({ id }) => id))).toEqual([[1, 2, 3], [4]]);
    const given = [
      { id: 1, row: 0 },
      { id: 4, row: 1 },
    ];
    expect(rowsOf({ columns: 3, tiles: given }).map((row) => row.map(({ id }) => id))).toEqual([[1], [4]]);
  });

  test('the least that is enough is found among all choices', () => {
    const need = fc.oneof(
      fc.record({ kind: fc.constant('any' as const), count: fc.integer({ min: 1, max: 4 }) }),
      fc.constant({ kind: 'eachRow' as const }),
      fc.record({ kind: fc.constant('firstAnd' as const), more: fc.integer({ min: 0, max: 3 }) }),
      fc.record({ kind: fc.constant('worth' as const), worth: fc.integer({ min: 1, max: 8 }) }),
    );
    const rows = fc.array(fc.tuple(fc.nat(100), fc.integer({ min: 1, max: 4 })), { minLength: 1, maxLength: 7 });
    fc.assert(
      fc.property(need, rows, fc.integer({ min: 1, max: 4 }), (asked, tiles, columns) => {
        const of = board(
          tiles.length,
          asked,
          columns,
          tiles.map(([, worth]) => worth),
        );
        fc.pre(isNeedPossible(of));
        const values = tiles.map(([value]) => value);
        let least = Number.POSITIVE_INFINITY;
        // Going through all sets of tiles is the reference.
        for (let set = 0; set < 2 ** tiles.length; set++) {
          const chosen = tiles.flatMap((_, index) => ((set >> index) & 1 ? [index] : []));
          if (isNeedMet(of, done(...chosen)))
            least = Math.min(
              least,
              chosen.reduce((sum, index) => sum + (values[index] ?? 0), 0),
            );
        }
        const range = needRange(of, values);
        expect(range.min).toBe(least);
        expect(range.mean).toBeLessThanOrEqual(range.max);
      }),
      { numRuns: 400 },
    );
  });
});
