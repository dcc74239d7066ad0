import { type Drawing, type DrawingMark, drawingWidth, type PenColour } from '@semita/core/question';
import { getStroke } from 'perfect-freehand';

const penOf: Record<PenColour, string> = {
  ink: 'var(--color-pen-ink)',
  brick: 'var(--color-pen-brick)',
  slate: 'var(--color-pen-slate)',
  spruce: 'var(--color-pen-spruce)',
  marigold: 'var(--color-pen-marigold)',
};

export const penColourOf = (colour: PenColour) => penOf[colour];

/** The marks of a drawing, inside an SVG whose units are those of the page. */
export function DrawingMarks({ drawing }: { readonly drawing: Drawing }) {
  return drawing.marks.map((mark, index) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: marks have no names, and are drawn in their order
    <Mark key={index} mark={mark} />
  ));
}

export function Mark({ mark }: { readonly mark: DrawingMark }) {
  const pen = penColourOf(mark.colour);
  switch (mark.tool) {
    case 'pen':
      return <path d={strokePath(mark.points, mark.size)} fill={pen} />;
    case 'text':
      return (
        <text x={mark.at[0]} y={mark.at[1]} fontSize={mark.size} fill={pen} fontFamily="var(--font-sans)">
          {mark.text}
        </text>
      );
    default:
      return <Shape mark={mark} pen={pen} />;
  }
}

type ShapeMark = Extract<DrawingMark, { from: unknown }>;

function Shape({ mark, pen }: { readonly mark: ShapeMark; readonly pen: string }) {
  const [[ax, ay], [bx, by]] = [mark.from, mark.to];
  const line = { stroke: pen, strokeWidth: mark.size, fill: 'none', strokeLinecap: 'round' as const };
  const [width, height] = [Math.abs(bx - ax), Math.abs(by - ay)];
  if (mark.tool === 'rect') return <rect x={Math.min(ax, bx)} y={Math.min(ay, by)} {...{ width, height }} {...line} />;
  if (mark.tool === 'ellipse')
    return <ellipse cx={(ax + bx) / 2} cy={(ay + by) / 2} rx={width / 2} ry={height / 2} {...line} />;
  return (
    <>
      <line x1={ax} y1={ay} x2={bx} y2={by} {...line} />
      {mark.tool === 'arrow' && <path d={arrowHead(mark)} fill={pen} stroke={pen} strokeWidth={mark.size / 2} />}
    </>
  );
}

function arrowHead({ from: [ax, ay], to: [bx, by], size }: ShapeMark): string {
  const angle = Math.atan2(by - ay, bx - ax);
  const reach = size * 5;
  const corner = (turn: number) => `${bx - reach * Math.cos(angle + turn)} ${by - reach * Math.sin(angle + turn)}`;
  return `M ${bx} ${by} L ${corner(0.45)} L ${corner(-0.45)} Z`;
}

/** The outline of a stroke: thicker where the pen was pressed. */
function strokePath(points: readonly number[], size: number): string {
  const input: [number, number, number][] = [];
  for (let i = 0; i + 2 < points.length; i += 3)
    input.push([points[i] as number, points[i + 1] as number, (points[i + 2] as number) / 100]);
  const outline = getStroke(input, { size: size * 2, thinning: 0.6, smoothing: 0.5, simulatePressure: false });
  const [first, ...rest] = outline;
  if (!first) return '';
  const at = ([x, y]: readonly number[]) => `${Math.round(x as number)} ${Math.round(y as number)}`;
  return `M ${at(first)} ${rest.map((point) => `L ${at(point)}`).join(' ')} Z`;
}

/** A finished drawing on its ground. */
export function DrawingView({
  drawing,
  height,
  label,
  over,
}: {
  readonly drawing: Drawing;
  readonly height: number;
  readonly label: string;
  /** What a teacher drew on it. */
  readonly over?: Drawing | undefined;
}) {
  return (
    <svg viewBox={`0 0 ${drawingWidth} ${height}`} role="img" aria-label={label} className="absolute inset-0 size-full">
      <DrawingMarks drawing={drawing} />
      {over && <DrawingMarks drawing={over} />}
    </svg>
  );
}
