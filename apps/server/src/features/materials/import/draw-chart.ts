import { nice, ticks } from 'd3-array';
import type { Chart, ChartSeries, PlacedChart } from './pptx-charts.ts';
import { escapeHtml } from './xml.ts';

/** For series the deck leaves to its theme: told apart by lightness as well as by hue. */
const ownColours = ['#3e5c76', '#d08a1d', '#1f6b57', '#a8432f', '#5a2a54', '#8a867c'];

const letters = 14;
const gap = 8;

interface Plot {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const round = (value: number) => String(Math.round(value * 10) / 10);
const text = (x: number, y: number, words: string, anchor = 'middle') =>
  `<text x="${round(x)}" y="${round(y)}" font-size="${letters}" text-anchor="${anchor}">${escapeHtml(words)}</text>`;

/** A chart as an SVG at its place, with its legend; the figures themselves stand in the words of the slide. */
export function drawChart({ x, y, width, height }: PlacedChart, chart: Chart): string {
  const hasTitle = chart.title !== '';
  const legend = legendOf(chart);
  const top = hasTitle ? 28 : gap;
  const plot: Plot = {
    left: 48,
    top,
    width: width - 48 - gap,
    height: height - top - 28 - (legend.length > 0 ? 24 : 0),
  };
  const inner = chart.kind === 'pie' ? pie(chart, { ...plot, left: gap, width: width - 2 * gap }) : onAxes(chart, plot);
  return (
    `<div style="position: absolute; left: ${round(x)}px; top: ${round(y)}px; width: ${round(width)}px; height: ${round(height)}px">` +
    `<svg viewBox="0 0 ${round(width)} ${round(height)}" width="${round(width)}" height="${round(height)}">` +
    (hasTitle ? text(width / 2, 20, chart.title) : '') +
    inner +
    legend.map(({ name, colour }, index) => legendKey(name, colour, index, legend.length, width, height)).join('') +
    '</svg></div>'
  );
}

const colourAt = (series: ChartSeries, index: number): string =>
  series.colour ?? (ownColours[index % ownColours.length] as string);

const sliceColour = (series: ChartSeries | undefined, index: number): string =>
  series?.sliceColours[index] ?? (ownColours[index % ownColours.length] as string);

/** Of a pie each category has its colour, else each series; one series alone needs no legend. */
function legendOf({ kind, categories, series }: Chart): { name: string; colour: string }[] {
  if (kind === 'pie') return categories.map((name, index) => ({ name, colour: sliceColour(series[0], index) }));
  if (series.length < 2) return [];
  return series.map((one, index) => ({ name: one.name, colour: colourAt(one, index) }));
}

function legendKey(name: string, colour: string, index: number, count: number, width: number, height: number): string {
  const at = gap + (index * (width - 2 * gap)) / count;
  return `<rect x="${round(at)}" y="${round(height - 18)}" width="12" height="12" fill="${colour}"></rect>${text(at + 18, height - 7, name, 'start')}`;
}

/** Columns, bars and lines on their axes. */
function onAxes(chart: Chart, plot: Plot): string {
  const { kind, categories, series, stacking } = chart;
  const count = Math.max(1, categories.length, ...series.map(({ values }) => values.length));
  const isStacked = stacking !== 'none';
  const totals = Array.from({ length: count }, (_, i) => sum(series.map(({ values }) => Math.max(0, values[i] ?? 0))));
  const shareOf = (value: number, i: number) => (stacking === 'percent' ? (100 * value) / (totals[i] || 1) : value);
  const all = series.flatMap(({ values }) => values.map((value, i) => shareOf(value ?? 0, i)));
  const highest = stacking === 'percent' ? 100 : isStacked ? Math.max(...totals) : Math.max(0, ...all);
  const ticks = ticksBetween(Math.min(0, ...all), highest);
  const [low, high] = [ticks[0] as number, ticks.at(-1) as number];
  const isSideways = kind === 'bar';
  const along = isSideways ? plot.height : plot.width;
  const place = (value: number) => (value - low) / (high - low || 1);
  const valueAt = (value: number) =>
    isSideways ? plot.left + place(value) * plot.width : plot.top + (1 - place(value)) * plot.height;
  const grid = ticks.map((tick) => gridLine(tick, valueAt(tick), plot, isSideways)).join('');
  const middleOf = (i: number) => ((i + 0.5) * along) / count;
  const labels = categories.map((name, i) =>
    isSideways
      ? text(plot.left - 6, plot.top + plot.height - middleOf(i) + 5, name, 'end')
      : text(plot.left + middleOf(i), plot.top + plot.height + 18, name),
  );
  const lines = series.map((one, s) => {
    const colour = colourAt(one, s);
    if (kind === 'line') return lineOf(one, colour, (i) => plot.left + middleOf(i), valueAt);
    return one.values
      .map((value, i) => {
        if (value === null) return '';
        const before = isStacked ? sum(series.slice(0, s).map(({ values }) => shareOf(values[i] ?? 0, i))) : 0;
        const [from, to] = [valueAt(before), valueAt(before + shareOf(value, i))];
        const thickness = ((along / count) * 0.7) / (isStacked ? 1 : series.length);
        const offset = middleOf(i) - (along / count) * 0.35 + (isStacked ? 0 : s * thickness);
        return isSideways
          ? box(Math.min(from, to), plot.top + plot.height - offset - thickness, Math.abs(to - from), thickness, colour)
          : box(plot.left + offset, Math.min(from, to), thickness, Math.abs(to - from), colour);
      })
      .join('');
  });
  return grid + lines.join('') + labels.join('');
}

const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0);
const box = (x: number, y: number, width: number, height: number, colour: string) =>
  `<rect x="${round(x)}" y="${round(y)}" width="${round(width)}" height="${round(height)}" fill="${colour}"></rect>`;

function gridLine(tick: number, at: number, { left, top, width, height }: Plot, isSideways: boolean): string {
  const [x1, y1, x2, y2] = isSideways ? [at, top, at, top + height] : [left, at, left + width, at];
  const label = isSideways ? text(at, top + height + 18, round(tick)) : text(left - 6, at + 5, round(tick), 'end');
  return `<line x1="${round(x1)}" y1="${round(y1)}" x2="${round(x2)}" y2="${round(y2)}" stroke="#bbbbbb" stroke-width="1"></line>${label}`;
}

function lineOf(
  { values }: ChartSeries,
  colour: string,
  xOf: (index: number) => number,
  yOf: (value: number) => number,
): string {
  const points = values.flatMap((value, i) => (value === null ? [] : [`${round(xOf(i))},${round(yOf(value))}`]));
  return `<polyline points="${points.join(' ')}" fill="none" stroke="${colour}" stroke-width="3"></polyline>`;
}

/** Round steps that hold all values, at most about six of them. */
export function ticksBetween(min: number, max: number): number[] {
  const scale = Math.max(1e-9, Math.abs(min), Math.abs(max));
  // Values that hardly differ stand on steps of their own size, and not of their difference's.
  const top = Math.max(max, min + scale * 1e-6);
  return ticks(...nice(min, top, stepCount), stepCount);
}
const stepCount = 4;

/** The first series, as slices of a whole. */
function pie({ series }: Chart, { left, top, width, height }: Plot): string {
  const values = (series[0]?.values ?? []).map((value) => Math.max(0, value ?? 0));
  const total = sum(values) || 1;
  const [cx, cy, radius] = [left + width / 2, top + height / 2, Math.max(1, Math.min(width, height) / 2 - 4)];
  const at = (share: number) => {
    const angle = share * 2 * Math.PI - Math.PI / 2;
    return `${round(cx + radius * Math.cos(angle))} ${round(cy + radius * Math.sin(angle))}`;
  };
  let before = 0;
  return values
    .map((value, index) => {
      const [from, to] = [before, before + value / total];
      before = to;
      const colour = sliceColour(series[0], index);
      if (value === 0) return '';
      if (to - from > 0.999)
        return `<circle cx="${round(cx)}" cy="${round(cy)}" r="${round(radius)}" fill="${colour}"></circle>`;
      const isLarge = to - from > 0.5 ? 1 : 0;
      return `<path d="M ${round(cx)} ${round(cy)} L ${at(from)} A ${round(radius)} ${round(radius)} 0 ${isLarge} 1 ${at(to)} Z" fill="${colour}" stroke="#ffffff" stroke-width="1"></path>`;
    })
    .join('');
}
