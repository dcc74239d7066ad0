import { type Drawing, maxDrawingPoints } from '@semita/core/question';
import { expect, test } from 'vitest';
import { beginMark, drawOn, eraseAt, isFull, type Pen, textMark } from './pad-state.ts';

const pen: Pen = { tool: 'pen', colour: 'ink', size: 'thin' };

test('a stroke holds every place with its pressure, a shape its two ends', () => {
  const stroke = beginMark(pen, [100, 200], 50);
  expect(stroke && drawOn(stroke, [300, 400], 80)).toMatchObject({ tool: 'pen', points: [100, 200, 50, 300, 400, 80] });
  const box = beginMark({ ...pen, tool: 'rect' }, [100, 200], 50);
  expect(box && drawOn(drawOn(box, [300, 400], 1), [500, 600], 1)).toMatchObject({ from: [100, 200], to: [500, 600] });
});

test('words and the eraser are not drawn', () => {
  expect(beginMark({ ...pen, tool: 'text' }, [0, 0], 1)).toBe(null);
  expect(beginMark({ ...pen, tool: 'eraser' }, [0, 0], 1)).toBe(null);
  const words = textMark(pen, [100, 200], 'force');
  expect(drawOn(words, [300, 400], 1)).toBe(words);
});

test('the eraser takes the topmost mark within its reach, and nothing where there is none', () => {
  const line = (y: number) =>
    ({ tool: 'line' as const, colour: 'ink' as const, size: 25, from: [0, y], to: [1_000, y] }) as const;
  const drawing: Drawing = { marks: [line(500), line(500), line(5_000)] };
  expect(eraseAt(drawing, [500, 550]).marks).toEqual([line(500), line(5_000)]);
  expect(eraseAt(drawing, [500, 2_500])).toBe(drawing);
});

test('a drawing is full a little before the server would refuse it', () => {
  const of = (count: number): Drawing => ({
    marks: [{ tool: 'pen', colour: 'ink', size: 25, points: new Array(count * 3).fill(1) }],
  });
  expect(isFull(of(maxDrawingPoints * 0.9))).toBe(false);
  expect(isFull(of(maxDrawingPoints * 0.96))).toBe(true);
});
