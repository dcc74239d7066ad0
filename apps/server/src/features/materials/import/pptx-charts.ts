import type { Document, Element } from '@xmldom/xmldom';
import { emuPerPx, relationships, relationsOf } from './pptx-parts.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, elementsIn, findXml, firstNamed } from './xml.ts';

/** What a chart shows, as the deck remembers it beside the table it came from (ECMA-376-1, 21.2). */
export interface Chart {
  readonly kind: 'column' | 'bar' | 'line' | 'pie';
  readonly stacking: 'none' | 'stacked' | 'percent';
  readonly title: string;
  readonly categories: readonly string[];
  readonly series: readonly ChartSeries[];
}

export interface ChartSeries {
  readonly name: string;
  /** As the deck paints it; null for the colours of its theme. */
  readonly colour: string | null;
  readonly values: readonly (number | null)[];
  /** Of a pie: its slices, where they are painted one by one. */
  readonly sliceColours: readonly (string | null)[];
}

/** A chart at its place on a slide, in CSS pixels; null for a kind that cannot be drawn. */
export interface PlacedChart {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly chart: Chart | null;
}

/** More than can be told apart on a slide. */
const mostPoints = 200;
const maxSeries = 20;

const kinds: Readonly<Record<string, Chart['kind']>> = {
  barChart: 'column',
  bar3DChart: 'column',
  lineChart: 'line',
  line3DChart: 'line',
  areaChart: 'line',
  area3DChart: 'line',
  pieChart: 'pie',
  pie3DChart: 'pie',
  doughnutChart: 'pie',
};

/** The charts of a slide, where they stand. */
export function chartsOf(files: ZipFiles, part: string, slide: Document): PlacedChart[] {
  const parts = relationsOf(files, part);
  return allNamed(slide, 'graphicFrame').flatMap((frame): PlacedChart[] => {
    const [reference] = allNamed(frame, 'chart');
    const chartPart = reference && parts.get(reference.getAttributeNS(relationships, 'id') ?? '')?.part;
    const document = chartPart === undefined ? undefined : findXml(files, chartPart);
    if (!document) return [];
    const [offset] = allNamed(frame, 'off');
    const [extent] = allNamed(frame, 'ext');
    const px = (element: Element | undefined, name: string) => Number(element?.getAttribute(name) ?? 0) / emuPerPx;
    return [
      {
        x: px(offset, 'x'),
        y: px(offset, 'y'),
        width: px(extent, 'cx'),
        height: px(extent, 'cy'),
        chart: readChart(document),
      },
    ];
  });
}

/** The one plot of a chart; null where there is none of a kind that can be drawn, or more than one. */
export function readChart(document: Document): Chart | null {
  const [area] = allNamed(document, 'plotArea');
  const plots = area ? elementsIn(area).filter(({ localName }) => localName?.endsWith('Chart')) : [];
  const [plot] = plots;
  const kind = plot && kinds[plot.localName ?? ''];
  if (!plot || !kind || plots.length > 1) return null;
  const setting = (name: string) => firstNamed(plot, name)?.getAttribute('val') ?? '';
  const grouping = setting('grouping');
  const series = elementsIn(plot)
    .filter(({ localName }) => localName === 'ser')
    .slice(0, maxSeries);
  if (series.length === 0) return null;
  const title = firstNamed(allNamed(document, 'chart')[0] as Element, 'title');
  return {
    kind: kind === 'column' && setting('barDir') === 'bar' ? 'bar' : kind,
    stacking: grouping === 'percentStacked' ? 'percent' : grouping === 'stacked' ? 'stacked' : 'none',
    title: title
      ? allNamed(title, 't')
          .map((one) => one.textContent)
          .join('')
      : '',
    categories: pointsOf(firstNamed(series[0] as Element, 'cat')).map((text) => text ?? ''),
    series: series.map((one) => ({
      name: pointsOf(firstNamed(one, 'tx'))[0] ?? '',
      colour: colourOf(one),
      values: pointsOf(firstNamed(one, 'val')).map((text) => (text === null ? null : toNumber(text))),
      sliceColours: sliceColoursOf(one),
    })),
  };
}

function toNumber(text: string): number | null {
  const number = Number(text);
  return Number.isFinite(number) ? number : null;
}

/** The remembered points of a reference, by their index; null where there is none. */
function pointsOf(element: Element | undefined): (string | null)[] {
  if (!element) return [];
  // Of headings on several levels the innermost.
  const level = allNamed(element, 'lvl')[0] ?? element;
  const points: (string | null)[] = [];
  for (const point of allNamed(level, 'pt')) {
    const index = Number(point.getAttribute('idx') ?? points.length);
    if (index >= mostPoints) continue;
    while (points.length < index) points.push(null);
    points[index] = allNamed(point, 'v')[0]?.textContent ?? null;
  }
  const count = Number(allNamed(level, 'ptCount')[0]?.getAttribute('val') ?? 0);
  while (points.length < Math.min(count, mostPoints)) points.push(null);
  return points;
}

function colourOf(series: Element): string | null {
  const fill = firstNamed(series, 'spPr');
  const value = fill && allNamed(fill, 'srgbClr')[0]?.getAttribute('val');
  return value && /^[0-9a-f]{6}$/i.test(value) ? `#${value}` : null;
}

function sliceColoursOf(series: Element): (string | null)[] {
  const colours: (string | null)[] = [];
  for (const point of elementsIn(series).filter(({ localName }) => localName === 'dPt')) {
    const index = Number(firstNamed(point, 'idx')?.getAttribute('val') ?? mostPoints);
    if (index < mostPoints) colours[index] = colourOf(point);
  }
  return Array.from(colours, (colour) => colour ?? null);
}

/** A chart in words, for searching and for reading aloud: what each series says of each category. */
export function chartWords({ chart }: PlacedChart): string[] {
  if (!chart) return [];
  const { title, categories, series } = chart;
  const lines = series.map(({ name, values }) => {
    const said = values.flatMap((value, index) =>
      value === null ? [] : [`${categories[index] ?? index + 1} ${value}`.trim()],
    );
    return `${name === '' ? '' : `${name}: `}${said.join(', ')}`;
  });
  return [title, ...lines].filter((line) => line !== '');
}
