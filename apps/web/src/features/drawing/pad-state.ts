import {
  type Drawing,
  type DrawingMark,
  drawingPointCount,
  isMarkAt,
  maxDrawingPoints,
  type PenColour,
} from '@semita/core/question';

export const tools = ['pen', 'line', 'arrow', 'rect', 'ellipse', 'text', 'eraser'] as const;
export type Tool = (typeof tools)[number];

export type Spot = readonly [number, number];

/** How wide a pen is, and how high letters are, in units of the page. */
export const penSizes = { thin: 25, middle: 50, thick: 110 } as const;
export type PenSize = keyof typeof penSizes;

export interface Pen {
  readonly tool: Tool;
  readonly colour: PenColour;
  readonly size: PenSize;
}

/** How near the eraser must come, in units of the page. */
const eraserReach = 120;

/** A mark that has just been begun; null where the tool makes none by drawing. */
export function beginMark({ tool, colour, size }: Pen, [x, y]: Spot, pressure: number): DrawingMark | null {
  const head = { colour, size: penSizes[size] };
  if (tool === 'pen') return { ...head, tool, points: [x, y, pressure] };
  if (tool === 'text' || tool === 'eraser') return null;
  return { ...head, tool, from: [x, y], to: [x, y] };
}

/** The mark, drawn on to a place. */
export function drawOn(mark: DrawingMark, [x, y]: Spot, pressure: number): DrawingMark {
  if (mark.tool === 'pen') return { ...mark, points: [...mark.points, x, y, pressure] };
  if (mark.tool === 'text') return mark;
  return { ...mark, to: [x, y] };
}

export function textMark({ colour, size }: Pen, at: Spot, text: string): DrawingMark {
  return { tool: 'text', colour, size: penSizes[size] * 6, at, text };
}

/** Takes away the topmost mark at a place. */
export function eraseAt(drawing: Drawing, [x, y]: Spot): Drawing {
  const index = drawing.marks.findLastIndex((mark) => isMarkAt(mark, x, y, eraserReach));
  return index < 0 ? drawing : { marks: drawing.marks.toSpliced(index, 1) };
}

export function isFull(drawing: Drawing): boolean {
  return drawingPointCount(drawing) > maxDrawingPoints * 0.95;
}
