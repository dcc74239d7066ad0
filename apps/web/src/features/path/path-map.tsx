import '@xyflow/react/dist/base.css';
import './path-map.css';
import type { LessonChange, Target } from '@semita/core/lesson';
import { retargetWay } from '@semita/core/path';
import { Background, ConnectionMode, Controls, ReactFlow, ReactFlowProvider, useNodesState } from '@xyflow/react';
import { useEffect, useMemo, useRef } from 'react';
import { focusTarget } from '../../ui/focus-target.ts';
import { t } from '../../words/words.ts';
import { partFigures } from '../lesson-parts/part-figures.ts';
import { Card, type CardNode, PlaceMark, type PlaceNode } from './map-card.tsx';
import { beginId, cardSize, type DrawnWay, drawnWays, endId, type MapLayout } from './map-layout.ts';
import { arrow, colourOf, type WayEdge, WayLine } from './map-line.tsx';
import { nextCard } from './next-card.ts';
import type { PathPicture } from './path-picture.ts';
import { useFrame } from './use-frame.ts';
import { useMapLayout } from './use-map-layout.ts';
import { wayLabel } from './way-words.ts';
import './words.ts';

interface Props extends PathPicture {
  /** Null for a map that is only looked at. */
  readonly apply: ((change: LessonChange) => boolean) | null;
}

type MapNode = CardNode | PlaceNode;
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

function MapView(props: Props) {
  const { lesson, ways } = props;
  const drawn = useMemo(() => drawnWays(lesson, ways), [lesson, ways]);
  const layout = useMapLayout(lesson, drawn);
  if (!layout) return <p className="p-4 text-quiet">{t('app.loading')}</p>;
  return <LaidMap {...props} {...{ drawn }} {...layout} />;
}

function LaidMap(props: Props & MapLayout & { readonly drawn: readonly DrawnWay[] }) {
  const { lesson, whole, ways, faults, selectedId, onSelect, lit, taken, noteOf, apply, drawn, places, lines } = props;
  const { onMoved, showCard } = useFrame(places, lesson.parts.length);
  const latest = useRef({ places, drawn, apply, onSelect, showCard });
  latest.current = { places, drawn, apply, onSelect, showCard };
  const handlers = useRef({
    onSelect: (partId: string) => latest.current.onSelect(partId),
    onReach: (partId: string) => latest.current.showCard(partId),
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
      if (nextId) focusTarget(`card:${nextId}`)?.focus();
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
        ...lesson.parts.map((part, index): MapNode => {
          const old = known.get(part.id);
          const card = old?.type === 'card' ? old : undefined;
          const isAsBefore = card?.data.part === part && part.kind !== 'lesson';
          const data: CardNode['data'] = {
            ...{ part, number: index + 1, isEdited: apply !== null },
            // Counting what each of hundreds of parts comes to takes longer than drawing those that are seen.
            figures: isAsBefore ? card.data.figures : partFigures(part, whole),
            faults: faults.get(part.id) ?? none,
            ...{ isSelected: part.id === selectedId, isDimmed: !!lit && !lit.partIds.has(part.id) },
            ...{ note: noteOf?.(part.id) ?? null, ...handlers.current },
          };
          const position = places.get(part.id) ?? origin;
          // A card about which nothing is new is the same to the map, which then leaves it alone.
          const isUnmoved = card?.position.x === position.x && card.position.y === position.y;
          if (card && isUnmoved && isSameCard(card.data, data)) return card;
          return { ...card, ...{ id: part.id, type: 'card', position, ...cardSize, data } };
        }),
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
          markerEnd: arrow(colourOf(look, isLit)),
          ...(look === 'detour' ? { markerStart: arrow(colourOf(look, isLit)) } : {}),
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
      onlyRenderVisibleElements={lesson.parts.length > 60}
      onNodeClick={(_, node) => node.type === 'card' && onSelect(node.id)}
      onPaneClick={() => onSelect(null)}
      onMoveStart={(event) => event && onMoved()}
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
      <Controls
        showInteractive={false}
        position="bottom-left"
        aria-label={t('path.zoom')}
        onZoomIn={onMoved}
        onZoomOut={onMoved}
      />
    </ReactFlow>
  );
}

const origin = { x: 0, y: 0 };
const none: readonly [] = [];
const isSameCard = (a: CardNode['data'], b: CardNode['data']) =>
  (Object.keys(b) as (keyof CardNode['data'])[]).every((key) => a[key] === b[key]);
/** How far a card goes with Alt and an arrow key. */
const stepPx = 24;
const arrows: Readonly<Record<string, { x: -1 | 0 | 1; y: -1 | 0 | 1 }>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};
