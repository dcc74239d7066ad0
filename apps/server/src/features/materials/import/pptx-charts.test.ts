import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cleanSlide } from './clean-slide.ts';
import { drawChart, ticksBetween } from './draw-chart.ts';
import { createReport } from './import-result.ts';
import { type Chart, chartsOf, chartWords, readChart } from './pptx-charts.ts';
import { parseXml } from './xml.ts';

const names =
  'xmlns:c="http://schemas.openxmlformats.org/drawingml/2006/chart" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"';
const points = (values: readonly (string | null)[]) =>
  `<c:ptCount val="${values.length}"/>${values.map((value, i) => (value === null ? '' : `<c:pt idx="${i}"><c:v>${value}</c:v></c:pt>`)).join('')}`;
const series = (name: string, values: readonly (string | null)[], more = '') =>
  `<c:ser><c:tx><c:strRef><c:strCache>${points([name])}</c:strCache></c:strRef></c:tx>${more}
   <c:cat><c:strRef><c:strCache>${points(['Sun', 'Wind', 'Water'])}</c:strCache></c:strRef></c:cat>
   <c:val><c:numRef><c:numCache>${points(values)}</c:numCache></c:numRef></c:val></c:ser>`;
const chartFile = (plot: string, title = '') =>
  `<c:chartSpace ${names}><c:chart>${title}<c:plotArea>${plot}</c:plotArea></c:chart></c:chartSpace>`;
const read = (plot: string, title?: string) => readChart(parseXml(Buffer.from(chartFile(plot, title))));

const painted = '<c:spPr><a:solidFill><a:srgbClr val="C0504D"/></a:solidFill></c:spPr>';
const columns = `<c:barChart><c:barDir val="col"/><c:grouping val="clustered"/>${series('2023', ['12', null, '18'], painted)}${series('2024', ['20', '28', '17'])}</c:barChart>`;

describe('charts as a deck remembers them (ECMA-376-1, 21.2)', () => {
  test('series, categories, colours, and points that are not there', () => {
    expect(read(columns)).toEqual({
      ...{ kind: 'column', stacking: 'none', title: '', categories: ['Sun', 'Wind', 'Water'] },
      series: [
        { name: '2023', colour: '#C0504D', values: [12, null, 18], sliceColours: [] },
        { name: '2024', colour: null, values: [20, 28, 17], sliceColours: [] },
      ],
    });
  });

  test('bars, lines, slices; and no chart where there is none, or one of another kind, or two in one', () => {
    expect(read(columns.replace('"col"', '"bar"'))?.kind).toBe('bar');
    expect(read(columns.replace('clustered', 'percentStacked'))?.stacking).toBe('percent');
    expect(read(`<c:lineChart>${series('a', ['1'])}</c:lineChart>`)?.kind).toBe('line');
    const slice =
      '<c:dPt><c:idx val="1"/><c:spPr><a:solidFill><a:srgbClr val="00ff00"/></a:solidFill></c:spPr></c:dPt>';
    expect(read(`<c:pieChart>${series('a', ['1', '3'], slice)}</c:pieChart>`)?.series[0]?.sliceColours).toEqual([
      null,
      '#00ff00',
    ]);
    expect(read(`<c:surfaceChart>${series('a', ['1'])}</c:surfaceChart>`)).toBeNull();
    expect(read(columns + columns)).toBeNull();
    expect(read('<c:barChart/>')).toBeNull();
  });

  test('where it stands, and what it says in words', () => {
    const slide = `<root xmlns:p="p" ${names} xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships">
      <p:graphicFrame><p:xfrm><a:off x="952500" y="9525"/><a:ext cx="4762500" cy="2857500"/></p:xfrm>
      <c:chart r:id="rId1"/></p:graphicFrame></root>`;
    const files = new Map([
      [
        'ppt/slides/_rels/slide1.xml.rels',
        Buffer.from('<r><Relationship Id="rId1" Type="t/chart" Target="../charts/chart1.xml"/></r>'),
      ],
      [
        'ppt/charts/chart1.xml',
        Buffer.from(chartFile(columns, '<c:title><a:t>Power </a:t><a:t>by year</a:t></c:title>')),
      ],
    ]);
    const [placed] = chartsOf(files, 'ppt/slides/slide1.xml', parseXml(Buffer.from(slide)));
    expect(placed).toMatchObject({ x: 100, y: 1, width: 500, height: 300 });
    expect(placed && chartWords(placed)).toEqual([
      'Power by year',
      '2023: Sun 12, Water 18',
      '2024: Sun 20, Wind 28, Water 17',
    ]);
  });
});

describe('a chart that is drawn', () => {
  const place = { x: 0, y: 0, width: 400, height: 300 };
  const draw = (plot: string) => {
    const chart = read(plot) as Chart;
    return cleanSlide(drawChart({ ...place, chart }, chart), createReport());
  };
  const boxes = (html: string) =>
    [...html.matchAll(/<rect x="([\d.]+)" y="([\d.]+)" width="([\d.]+)" height="([\d.]+)" fill="(#\w+)"/g)]
      .map(([, , , width, height, fill]) => ({ width: Number(width), height: Number(height), fill }))
      .filter(({ width, height }) => width !== 12 || height !== 12);

  test('columns are as high as their values', () => {
    const [a, , b] = boxes(draw(columns)).map(({ height }) => height);
    const heights = boxes(draw(columns)).map(({ height }) => height);
    expect(heights).toHaveLength(5);
    expect((a as number) / 12).toBeCloseTo((heights[1] as number) / 18, 1);
    expect((b as number) / (a as number)).toBeCloseTo(20 / 12, 1);
  });

  test('stacked to the whole, every pile is as high as the others', () => {
    const plot = columns.replace('clustered', 'percentStacked');
    const heights = boxes(draw(plot)).map(({ height }) => height);
    expect((heights[0] as number) + (heights[2] as number)).toBeCloseTo(
      (heights[1] as number) + (heights[4] as number),
      0,
    );
  });

  test('slices, lines and words are there, and nothing that is no drawing', () => {
    expect(draw(`<c:pieChart>${series('a', ['1', '1', '2'])}</c:pieChart>`).match(/<path /g)).toHaveLength(3);
    expect(draw(`<c:pieChart>${series('a', ['5'])}</c:pieChart>`)).toContain('<circle');
    expect(draw(`<c:lineChart>${series('a', ['1', '2', '3'])}</c:lineChart>`)).toContain('<polyline');
    const html = draw(
      `<c:lineChart>${series('&lt;script&gt;x&lt;/script&gt;', ['1'])}${series('b', ['2'])}</c:lineChart>`,
    );
    expect(html).not.toContain('<script');
    expect(html).toContain('Wind');
  });
});

test('steps on an axis are round, hold all values, and are few', () => {
  expect(ticksBetween(0, 28)).toEqual([0, 10, 20, 30]);
  const number = fc.double({ min: -1e6, max: 1e6, noNaN: true });
  fc.assert(
    fc.property(number, number, (a, b) => {
      const [least, most] = [Math.min(a, b), Math.max(a, b)];
      const ticks = ticksBetween(least, most);
      const slack = Math.max(1, Math.abs(least), Math.abs(most)) * 1e-9;
      expect(ticks[0] as number).toBeLessThanOrEqual(least + slack);
      expect(ticks.at(-1) as number).toBeGreaterThanOrEqual(most - slack);
      expect(ticks.length).toBeLessThanOrEqual(8);
    }),
  );
});
