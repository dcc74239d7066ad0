import fc from 'fast-check';
import { expect, test } from 'vitest';
import { type DrawingMark, drawingPointCount, isMarkAt, thinStroke } from './drawing.ts';

test('a straight stroke is thinned to its ends, a corner is kept', () => {
  const straight = Array.from({ length: 100 }, (_, i) => [i * 10, i * 10, 50]).flat();
  expect(thinStroke(straight, 5)).toEqual([0, 0, 50, 990, 990, 50]);
  expect(thinStroke([0, 0, 1, 500, 0, 2, 500, 500, 3], 5)).toEqual([0, 0, 1, 500, 0, 2, 500, 500, 3]);
});

test('no point of a stroke lies further from the thinned one than was allowed', () => {
  const stroke = fc.array(fc.tuple(fc.nat(1000), fc.nat(1000)), { minLength: 2, maxLength: 60 });
  fc.assert(
    fc.property(stroke, (places) => {
      const points = places.flatMap(([x, y]) => [x, y, 50]);
      const thin = thinStroke(points, 30);
      expect(thin.slice(0, 2)).toEqual(points.slice(0, 2));
      expect(thin.slice(-3)).toEqual(points.slice(-3));
      for (const [x, y] of places) {
        const distances = Array.from({ length: thin.length / 3 - 1 }, (_, i) => {
          const [ax, ay, , bx, by] = thin.slice(i * 3, i * 3 + 5) as [number, number, number, number, number];
          const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
          const along = length2 === 0 ? 0 : ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2;
          const t = Math.max(0, Math.min(1, along));
          return Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay));
        });
        expect(Math.min(...distances)).toBeLessThanOrEqual(30 + 1e-9);
      }
    }),
  );
});

test('a drawing is counted by its points', () => {
  expect(
    drawingPointCount({
      marks: [
        { tool: 'pen', colour: 'ink', size: 40, points: [0, 0, 50, 9, 9, 50] },
        { tool: 'line', colour: 'ink', size: 40, from: [0, 0], to: [9, 9] },
      ],
    }),
  ).toBe(4);
});

test('marks are rubbed out where they are, not where they are not', () => {
  const head = { colour: 'ink', size: 40 } as const;
  const cases: [DrawingMark, [number, number], [number, number]][] = [
    [{ ...head, tool: 'pen', points: [0, 0, 50, 1000, 0, 50] }, [500, 50], [500, 400]],
    [{ ...head, tool: 'pen', points: [0, 0, 50] }, [0, 10], [400, 0]],
    [{ ...head, tool: 'rect', from: [0, 0], to: [1000, 1000] }, [1000, 500], [500, 500]],
    [{ ...head, tool: 'ellipse', from: [0, 0], to: [1000, 500] }, [500, 0], [500, 250]],
    [{ ...head, tool: 'arrow', from: [0, 0], to: [1000, 1000] }, [500, 500], [1000, 0]],
    [{ ...head, tool: 'text', size: 300, at: [0, 300], text: 'load' }, [300, 200], [2000, 200]],
  ];
  for (const [mark, on, off] of cases) {
    expect(isMarkAt(mark, ...on, 60)).toBe(true);
    expect(isMarkAt(mark, ...off, 60)).toBe(false);
  }
});
