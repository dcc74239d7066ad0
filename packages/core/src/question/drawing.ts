/** Pens are named, not given as codes: each theme draws them so that they can be told apart. */
export const penColours = ['ink', 'brick', 'slate', 'spruce', 'marigold'] as const;
export type PenColour = (typeof penColours)[number];

/**
 * What a student, or a teacher marking, has drawn. The page is `drawingWidth` wide, whatever size it is shown at, and
 * as high as its ground asks for; all numbers are whole.
 */
export interface Drawing {
  readonly marks: readonly DrawingMark[];
}

interface MarkHead {
  readonly colour: PenColour;
  /** Width of the pen, or height of the letters, in units of the page. */
  readonly size: number;
}

export type DrawingMark =
  /** x, y and pressure (0 to 100) of each point in turn. */
  | (MarkHead & { readonly tool: 'pen'; readonly points: readonly number[] })
  | (MarkHead & {
      readonly tool: 'line' | 'arrow' | 'rect' | 'ellipse';
      readonly from: readonly [number, number];
      readonly to: readonly [number, number];
    })
  | (MarkHead & { readonly tool: 'text'; readonly at: readonly [number, number]; readonly text: string });

export const drawingWidth = 10_000;

/** More points than a child draws in a lesson; a drawing beyond it is not taken. */
export const maxDrawingPoints = 20_000;

/** How many points a drawing is made of; a shape or a word counts as two. */
export function drawingPointCount(drawing: Drawing): number {
  return drawing.marks.reduce((sum, mark) => sum + (mark.tool === 'pen' ? mark.points.length / 3 : 2), 0);
}

/**
 * Takes points out of a stroke that hardly change its course (Ramer–Douglas–Peucker, Douglas & Peucker 1973).
 * @param points x, y, pressure in turn
 * @param tolerance how far the course may move, in units of the page
 */
export function thinStroke(points: readonly number[], tolerance: number): number[] {
  const count = points.length / 3;
  if (count <= 2) return [...points];
  const keeps = new Uint8Array(count);
  keeps[0] = 1;
  keeps[count - 1] = 1;
  const spans: [number, number][] = [[0, count - 1]];
  for (let span = spans.pop(); span; span = spans.pop()) {
    const [first, last] = span;
    const { index, distance } = furthestFrom(points, first, last);
    if (distance <= tolerance) continue;
    keeps[index] = 1;
    spans.push([first, index], [index, last]);
  }
  return points.filter((_, i) => keeps[Math.floor(i / 3)] === 1);
}

function furthestFrom(points: readonly number[], first: number, last: number): { index: number; distance: number } {
  const [ax, ay, bx, by] = [first * 3, first * 3 + 1, last * 3, last * 3 + 1].map((i) => points[i] as number) as [
    number,
    number,
    number,
    number,
  ];
  let found = { index: first, distance: 0 };
  for (let i = first + 1; i < last; i++) {
    const distance = distanceToSegment(points[i * 3] as number, points[i * 3 + 1] as number, ax, ay, bx, by);
    if (distance > found.distance) found = { index: i, distance };
  }
  return found;
}

function distanceToSegment(px: number, py: number, ax: number, ay: number, bx: number, by: number): number {
  const [dx, dy] = [bx - ax, by - ay];
  const length2 = dx * dx + dy * dy;
  const along = length2 === 0 ? 0 : Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / length2));
  return Math.hypot(px - ax - along * dx, py - ay - along * dy);
}

/**
 * Whether a mark passes within reach of a place: for rubbing out.
 * @param reach in units of the page
 */
export function isMarkAt(mark: DrawingMark, x: number, y: number, reach: number): boolean {
  return segmentsOf(mark).some(([ax, ay, bx, by]) => distanceToSegment(x, y, ax, ay, bx, by) <= reach + mark.size / 2);
}

type Segment = readonly [number, number, number, number];

/** The lines a mark is made of; a word is the line it stands on, as long as its letters are about wide. */
function segmentsOf(mark: DrawingMark): Segment[] {
  switch (mark.tool) {
    case 'pen': {
      const { points } = mark;
      const count = points.length / 3;
      return Array.from({ length: Math.max(1, count - 1) }, (_, i) => {
        const next = Math.min(i + 1, count - 1) * 3;
        return [points[i * 3], points[i * 3 + 1], points[next], points[next + 1]] as unknown as Segment;
      });
    }
    case 'text': {
      const [x, y] = mark.at;
      return [[x, y - mark.size / 3, x + mark.text.length * mark.size * 0.5, y - mark.size / 3]];
    }
    case 'line':
    case 'arrow':
      return [[...mark.from, ...mark.to]];
    case 'rect': {
      const [[ax, ay], [bx, by]] = [mark.from, mark.to];
      return [
        [ax, ay, bx, ay],
        [bx, ay, bx, by],
        [bx, by, ax, by],
        [ax, by, ax, ay],
      ];
    }
    case 'ellipse':
      return ellipseSegments(mark.from, mark.to);
  }
}

function ellipseSegments([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]): Segment[] {
  const [cx, cy, rx, ry] = [(ax + bx) / 2, (ay + by) / 2, Math.abs(bx - ax) / 2, Math.abs(by - ay) / 2];
  const corners = 24;
  const at = (i: number): [number, number] => [
    cx + rx * Math.cos((2 * Math.PI * i) / corners),
    cy + ry * Math.sin((2 * Math.PI * i) / corners),
  ];
  return Array.from({ length: corners }, (_, i) => [...at(i), ...at(i + 1)]);
}
