import { Graph, layout } from '@dagrejs/dagre';
import type { MapPosition } from '@semita/core/lesson';
import { beginId, cardSize, endId, endSize, type MapGraph, type MapLayout, type MapLine } from './map-layout.ts';

/** Room between two cards for what is written on a way. */
const labelPx = 120;

/** The layers of a map, from left to right: where its cards stand, and how the lines run between them. */
export function mapLayers({ partIds, lines: drawn }: MapGraph): MapLayout {
  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: 'LR', nodesep: 28, ranksep: 28, marginx: 16, marginy: 16 });
  graph.setDefaultEdgeLabel(() => ({}));
  graph.setNode(beginId, { ...endSize });
  for (const id of partIds) graph.setNode(id, { ...cardSize });
  graph.setNode(endId, { ...endSize });
  for (const { key, from, to, isLabelled } of drawn)
    graph.setEdge(from, to, { width: isLabelled ? labelPx : 0, height: isLabelled ? 24 : 0, labelpos: 'c' }, key);
  layout(graph);
  const places = new Map<string, MapPosition>();
  for (const id of graph.nodes()) {
    const { x = 0, y = 0, width = 0, height = 0 } = graph.node(id) as Record<string, number>;
    places.set(id, { x: Math.round(x - width / 2), y: Math.round(y - height / 2) });
  }
  const lines = new Map<string, MapLine>();
  for (const { v, w, name = '' } of graph.edges()) {
    const { points = [], x, y } = graph.edge({ v, w, name }) as { points?: MapPosition[]; x?: number; y?: number };
    const middle = points[Math.floor(points.length / 2)];
    if (middle) lines.set(name, { bends: points.slice(1, -1), label: { x: x ?? middle.x, y: y ?? middle.y } });
  }
  return { places, lines };
}
