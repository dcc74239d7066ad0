import '@xyflow/react/dist/base.css';
import './path-map.css';
import {
  type LessonChange,
  type MapPlace,
  type Part,
  type PathFaultCode,
  retargetWay,
  type Target,
} from '@semita/core';
import {
  Background,
  BaseEdge,
  ConnectionMode,
  Controls,
  type Edge,
  EdgeLabelRenderer,
  type EdgeProps,
  getBezierPath,
  getSmoothStepPath,
  Handle,
  MarkerType,
  type Node,
  type NodeProps,
  Position,
  ReactFlow,
  ReactFlowProvider,
  useNodesState,
  useReactFlow,
} from '@xyflow/react';
import { Split, TriangleAlert, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { partFigures } from '../desk/part-figures.ts';
import { PartIcon } from '../desk/part-icon.tsx';
import { beginId, cardSize, drawnWays, endId, endSize, type MapLine, mapLayout } from './map-layout.ts';
import { nextCard } from './next-card.ts';
import type { PathPicture } from './path-picture.ts';
import { wayLabel } from './way-words.ts';

interface Props extends PathPicture {
  /** Null for a map that is only looked at. */
  readonly apply: ((change: LessonChange) => boolean) | null;
}

type CardNode = Node<
  {
    readonly part: Part;
    readonly figures: string;
    readonly number: number;
    readonly faults: readonly PathFaultCode[];
    readonly isSelected: boolean;
    readonly isDimmed: boolean;
    readonly isEdited: boolean;
    readonly note: string | null;
    readonly onSelect: (partId: string) => void;
    readonly onKey: (event: React.KeyboardEvent, partId: string) => void;
  },
  'card'
>;
type PlaceNode = Node<{ readonly words: string }, 'place'>;
type MapNode = CardNode | PlaceNode;
type WayEdge = Edge<
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

const nodeTypes = { card: Card, place: PlaceMark };
const edgeTypes = { way: WayLine };

/** The path as a picture: parts as cards, ways as labelled lines. Cards and the ends of lines can be moved. */
export function PathMap(props: Props) {
  return (
    <ReactFlowProvider>
      <MapView {...props} />
    </ReactFlowProvider>
  );
}

function MapView({ lesson, whole, ways, faults, selectedId, onSelect, lit, taken, noteOf, apply }: Props) {
  const flow = useReactFlow();
  const drawn = useMemo(() => drawnWays(lesson, ways), [lesson, ways]);
  const { places, lines } = useMemo(() => mapLayout(lesson, ways), [lesson, ways]);
  const latest = useRef({ places, drawn, apply, onSelect });
  latest.current = { places, drawn, apply, onSelect };
  const handlers = useRef({
    onSelect: (partId: string) => latest.current.onSelect(partId),
    onKey: (event: React.KeyboardEvent, partId: string) => {
      const way = arrows[event.key];
      if (!way || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      const now = latest.current;
      const place = now.places.get(partId);
      if (event.altKey && place && now.apply) {
        const mapAt = { x: place.x + way.x * stepPx, y: place.y + way.y * stepPx };
        now.apply({ type: 'setMapPlace', partId, mapAt });
        return;
      }
      const nextId = nextCard(now.places, now.drawn, partId, way);
      if (nextId) document.querySelector<HTMLElement>(`[data-card="${nextId}"]`)?.focus();
    },
  });
  const [nodes, setNodes, onNodesChange] = useNodesState<MapNode>([]);
  useEffect(() => {
    setNodes((before) => {
      const known = new Map(before.map((node) => [node.id, node]));
      const mark = (id: string, words: string): MapNode => ({
        ...known.get(id),
        ...{ id, type: 'place', data: { words }, position: places.get(id) ?? origin, draggable: false },
      });
      return [
        mark(beginId, t('path.begin')),
        ...lesson.parts.map(
          (part, index): MapNode => ({
            ...known.get(part.id),
            ...{ id: part.id, type: 'card', position: places.get(part.id) ?? origin, ...cardSize },
            data: {
              ...{
                part,
                figures: partFigures(part, whole),
                number: index + 1,
                faults: faults.get(part.id) ?? [],
                isEdited: apply !== null,
              },
              ...{ isSelected: part.id === selectedId, isDimmed: !!lit && !lit.partIds.has(part.id) },
              ...{ note: noteOf?.(part.id) ?? null, ...handlers.current },
            },
          }),
        ),
        mark(endId, t('path.end')),
      ];
    });
  }, [lesson, whole, places, faults, selectedId, lit, noteOf, apply, setNodes]);
  const edges = useMemo(
    () =>
      drawn.map(({ key, from, to, way }): WayEdge => {
        const look = way?.isDetour
          ? 'detour'
          : way?.via.kind === 'choice' || way?.via.kind === 'rule'
            ? way.via.kind
            : 'usual';
        const isLit = !!lit && (way ? lit.wayKeys.has(key) : key === beginId);
        return {
          ...{ id: key, source: from, target: to, type: 'way', focusable: false },
          reconnectable: apply !== null && way !== null ? 'target' : false,
          markerEnd: arrow(isLit ? 'var(--color-main)' : colours[look]),
          ...(look === 'detour' ? { markerStart: arrow(isLit ? 'var(--color-main)' : colours[look]) } : {}),
          data: {
            ...{ look, isLit, isDimmed: !!lit && !isLit },
            label: way ? wayLabel(lesson, way) : '',
            line: lines.get(key) ?? null,
            taken: way ? (taken?.get(key) ?? (taken ? 0 : null)) : null,
          },
        };
      }),
    [drawn, lit, lesson, lines, taken, apply],
  );
  const count = lesson.parts.length;
  // The whole path stands in sight when the map is opened and when a part has come or gone.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only then
  useEffect(() => {
    const frame = requestAnimationFrame(async () => {
      await flow.fitView({ padding: 0.06, maxZoom: 1 });
      const { zoom } = flow.getViewport();
      if (zoom >= leastZoom) return;
      // What would be too small to read is shown from its beginning.
      await flow.fitView({ nodes: [{ id: beginId }], minZoom: leastZoom, maxZoom: leastZoom });
      const { y } = flow.getViewport();
      await flow.setViewport({ x: 16 - (latest.current.places.get(beginId)?.x ?? 0) * leastZoom, y, zoom: leastZoom });
    });
    return () => cancelAnimationFrame(frame);
  }, [count, flow]);
  const targetOf = (id: string): Target => (id === endId ? { kind: 'end' } : { kind: 'part', partId: id });
  return (
    <ReactFlow<MapNode, WayEdge>
      {...{ nodes, edges, nodeTypes, edgeTypes, onNodesChange }}
      aria-label={t('path.map')}
      minZoom={0.1}
      maxZoom={1.5}
      connectionMode={ConnectionMode.Strict}
      nodesDraggable={apply !== null}
      nodesConnectable={apply !== null}
      nodesFocusable={false}
      edgesFocusable={false}
      elementsSelectable={false}
      disableKeyboardA11y
      deleteKeyCode={null}
      onlyRenderVisibleElements={count > 60}
      onNodeClick={(_, node) => node.type === 'card' && onSelect(node.id)}
      onPaneClick={() => onSelect(null)}
      onNodeDragStop={(_, node) => {
        const mapAt = { x: Math.round(node.position.x), y: Math.round(node.position.y) };
        if (node.type === 'card') apply?.({ type: 'setMapPlace', partId: node.id, mapAt });
      }}
      onConnect={({ source, target }) => {
        const part = lesson.parts.find(({ id }) => id === source);
        if (part) apply?.({ type: 'setWay', partId: part.id, next: targetOf(target), rules: part.rules ?? [] });
      }}
      onReconnect={(edge, { target }) => {
        const way = ways.find(({ key }) => key === edge.id);
        const change = way && retargetWay(lesson, way, targetOf(target));
        if (change) apply?.(change);
      }}
      proOptions={{ hideAttribution: true }}
    >
      <Background gap={24} size={1} color="var(--color-line)" />
      <Controls showInteractive={false} position="bottom-left" aria-label={t('path.zoom')} />
    </ReactFlow>
  );
}

/** Arrows as large on thick lines as on thin ones. */
const arrow = (color: string) => ({
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
function curveThrough(from: MapPlace, bends: readonly MapPlace[], to: MapPlace): string {
  const corners = [from, ...bends, to];
  const turns = corners.slice(1, -1).map((corner, index) => {
    const next = corners[index + 2] as MapPlace;
    return `Q ${corner.x} ${corner.y} ${(corner.x + next.x) / 2} ${(corner.y + next.y) / 2}`;
  });
  return [`M ${from.x} ${from.y}`, ...turns, `L ${to.x} ${to.y}`].join(' ');
}

const origin = { x: 0, y: 0 };
/** Below this the words on a card cannot be read. */
const leastZoom = 0.75;
/** How far a card goes with Alt and an arrow key. */
const stepPx = 24;
const arrows: Readonly<Record<string, { x: -1 | 0 | 1; y: -1 | 0 | 1 }>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};
const colours = {
  choice: 'var(--color-marigold)',
  rule: 'var(--color-marigold)',
  detour: 'var(--color-slate)',
  usual: 'var(--color-edge)',
};

function Card({ data, id }: NodeProps<CardNode>) {
  const { part, figures, number, faults, isSelected, isDimmed, isEdited, note, onSelect, onKey } = data;
  const forks = part.stops.filter(({ kind }) => kind === 'fork').length;
  const isAside = part.next?.kind === 'back';
  return (
    <div
      className={joinClasses(
        'flex h-full flex-col rounded-card border text-left',
        !isDimmed && 'bg-card',
        faults.length > 0 ? 'border-2 border-brick' : isSelected ? 'border-2 border-main' : 'border-edge',
        isAside && 'border-dashed',
        isDimmed && 'border-line bg-paper text-quiet',
      )}
    >
      <Handle type="target" position={Position.Left} isConnectable={isEdited} />
      <button
        type="button"
        data-card={id}
        aria-pressed={isSelected}
        aria-label={t('path.card', { number, title: part.title || t('path.untitled'), figures })}
        onClick={(event) => {
          event.stopPropagation();
          onSelect(id);
        }}
        onKeyDown={(event) => onKey(event, id)}
        className="flex min-h-0 grow flex-col gap-0.5 rounded-card px-2.5 py-2 text-left"
      >
        <span className="flex items-start gap-1.5">
          <PartIcon kind={part.kind} className="mt-0.5" />
          <span className="line-clamp-2 text-14 leading-tight font-medium">{part.title || t('path.untitled')}</span>
        </span>
        <span className="line-clamp-2 text-13 leading-tight text-quiet">{figures}</span>
        <span className="mt-auto flex items-center gap-2 text-13">
          {faults.length > 0 ? (
            <span className="flex min-w-0 items-center gap-1 text-brick">
              <TriangleAlert aria-hidden className="size-3.5 shrink-0" strokeWidth={1.75} />
              <span className="truncate">{t(`path.fault.${faults[0] as PathFaultCode}`)}</span>
            </span>
          ) : note !== null ? (
            <span className="text-quiet">{note}</span>
          ) : (
            <>
              {forks > 0 && (
                <span className="flex items-center gap-1 text-marigold-ink">
                  <Split aria-hidden className="size-3.5" strokeWidth={1.75} />
                  {t('path.forks', { count: forks })}
                </span>
              )}
              {isAside && (
                <span className="flex items-center gap-1 text-slate">
                  <Undo2 aria-hidden className="size-3.5" strokeWidth={1.75} />
                  {t('path.leadsBack')}
                </span>
              )}
            </>
          )}
        </span>
      </button>
      <Handle type="source" position={Position.Right} isConnectable={isEdited} />
    </div>
  );
}

function PlaceMark({ id, data }: NodeProps<PlaceNode>) {
  return (
    <div
      style={endSize}
      className="flex items-center justify-center rounded-full border border-edge bg-paper text-14 text-quiet"
    >
      {id === endId && <Handle type="target" position={Position.Left} />}
      {data.words}
      {id === beginId && <Handle type="source" position={Position.Right} isConnectable={false} />}
    </div>
  );
}

function WayLine(props: EdgeProps<WayEdge>) {
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
          stroke: data.isLit ? 'var(--color-main)' : colours[data.look],
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
