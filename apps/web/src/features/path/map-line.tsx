import type { MapPosition } from '@semita/core/lesson';
import {
  BaseEdge,
  type Edge,
  EdgeLabelRenderer,
  type EdgeProps,
  getBezierPath,
  getSmoothStepPath,
  MarkerType,
} from '@xyflow/react';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import type { MapLine } from './map-layout.ts';
import './words.ts';

export type WayEdge = Edge<
  {
    readonly label: string;
    readonly line: MapLine | null;
    readonly taken: number | null;
    readonly look: 'choice' | 'rule' | 'detour' | 'usual';
    readonly isLit: boolean;
    readonly isDimmed: boolean;
  },
  'way'
>;

const colours = {
  choice: 'var(--color-marigold)',
  rule: 'var(--color-marigold)',
  detour: 'var(--color-slate)',
  usual: 'var(--color-edge)',
};

/** A route that is lit has one colour, whatever its ways are. */
export const colourOf = (look: keyof typeof colours, isLit: boolean) => (isLit ? 'var(--color-main)' : colours[look]);

/** Arrows as large on thick lines as on thin ones. */
export const arrow = (color: string) => ({
  ...{
    type: MarkerType.ArrowClosed,
    width: 18,
    height: 18,
    markerUnits: 'userSpaceOnUse',
    orient: 'auto-start-reverse',
  },
  color,
});

/** A line that bends softly at each corner. */
function curveThrough(from: MapPosition, bends: readonly MapPosition[], to: MapPosition): string {
  const corners = [from, ...bends, to];
  const turns = corners.slice(1, -1).map((corner, index) => {
    const next = corners[index + 2] as MapPosition;
    return `Q ${corner.x} ${corner.y} ${(corner.x + next.x) / 2} ${(corner.y + next.y) / 2}`;
  });
  return [`M ${from.x} ${from.y}`, ...turns, `L ${to.x} ${to.y}`].join(' ');
}

/** A way on the map, with its words and how many took it. */
export function WayLine(props: EdgeProps<WayEdge>) {
  const { id, sourceX, sourceY, targetX, targetY, sourcePosition, targetPosition, markerStart, markerEnd, data } =
    props;
  if (!data) return null;
  const ends = { sourceX, sourceY, targetX, targetY, sourcePosition, targetPosition };
  const [path, labelX, labelY] = data.line
    ? [
        curveThrough({ x: sourceX, y: sourceY }, data.line.bends, { x: targetX, y: targetY }),
        data.line.label.x,
        data.line.label.y,
      ]
    : // What leads back to the left goes round the cards.
      targetX < sourceX
      ? getSmoothStepPath({ ...ends, borderRadius: 12, offset: 24 })
      : getBezierPath(ends);
  const words = [data.taken === null ? '' : String(data.taken), data.label].filter(Boolean);
  return (
    <>
      <BaseEdge
        id={id}
        path={path}
        {...(markerEnd ? { markerEnd } : {})}
        {...(markerStart ? { markerStart } : {})}
        style={{
          stroke: colourOf(data.look, data.isLit),
          strokeWidth: data.isLit ? 3 : 1.75,
          ...(data.look === 'detour' ? { strokeDasharray: '6 4' } : {}),
          opacity: data.isDimmed ? 0.3 : 1,
        }}
      />
      {words.length > 0 && (
        <EdgeLabelRenderer>
          <span
            className={joinClasses(
              'pointer-events-none absolute line-clamp-2 max-w-28 rounded-control border border-line bg-card px-1.5 py-0.5 text-center text-13 leading-tight',
              data.isDimmed && 'bg-paper text-quiet',
            )}
            style={{ transform: `translate(-50%, -50%) translate(${labelX}px, ${labelY}px)` }}
          >
            {words.join(' · ')}
            {data.taken !== null && <span className="sr-only">{t('path.took', { count: data.taken })}</span>}
          </span>
        </EdgeLabelRenderer>
      )}
    </>
  );
}
