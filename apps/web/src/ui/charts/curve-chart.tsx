import { Chart, Filler, LinearScale, LineController, LineElement, type Plugin, PointElement, Tooltip } from 'chart.js';
import { useRef, useState } from 'react';
import { Line } from 'react-chartjs-2';
import { chartFont, useChartColours } from './chart-colours.ts';

Chart.register(Filler, LinearScale, LineController, LineElement, PointElement, Tooltip);

export interface CurvePoint {
  readonly x: number;
  readonly y: number;
}

interface Props {
  /** The upper curve, and one that lies within it. */
  readonly curve: readonly CurvePoint[];
  readonly within: readonly CurvePoint[];
  readonly from: number;
  readonly to: number;
  readonly top: number;
  /** Places on the axis that are marked. */
  readonly marks: readonly number[];
  /** The place that is looked at. */
  readonly at: number;
  /** A place on the axis in words, and the steps between those that are written. */
  readonly wordsAt: (x: number) => string;
  readonly step: number;
  readonly onMove: (x: number) => void;
}

/** Two curves over the length of something. Decorative: the slider that moves along it says what it shows. */
export default function CurveChart({ curve, within, from, to, top, marks, at, wordsAt, step, onMove }: Props) {
  const colours = useChartColours();
  const shown = useRef({ marks, at, colours });
  shown.current = { marks, at, colours };
  // Made once: a chart keeps the plugins it began with, and draws anew whenever its options change.
  const [lines] = useState(
    (): Plugin<'line'> => ({
      id: 'marks',
      afterDatasetsDraw({ ctx, chartArea, scales }) {
        const draw = (x: number, colour: string, width: number, dash: number[]) => {
          const px = scales.x?.getPixelForValue(x) ?? 0;
          ctx.save();
          ctx.strokeStyle = colour;
          ctx.lineWidth = width;
          ctx.setLineDash(dash);
          ctx.beginPath();
          ctx.moveTo(px, chartArea.top);
          ctx.lineTo(px, chartArea.bottom);
          ctx.stroke();
          ctx.restore();
        };
        const now = shown.current;
        for (const mark of now.marks) draw(mark, now.colours.ink, 1, [3, 3]);
        draw(now.at, now.colours.marigold, 2, []);
      },
    }),
  );
  return (
    <div className="h-56">
      <Line
        plugins={[lines]}
        data={{
          datasets: [
            {
              data: [...curve],
              borderColor: colours.slate,
              backgroundColor: `${colours.slate}33`,
              fill: 'origin',
              borderWidth: 2,
            },
            {
              data: [...within],
              borderColor: colours.main,
              backgroundColor: `${colours.main}66`,
              fill: 'origin',
              borderWidth: 1.5,
            },
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          parsing: false,
          normalized: true,
          elements: { point: { radius: 0, hitRadius: 0 } },
          onClick: (event, _elements, chart) => {
            const x = chart.scales.x?.getValueForPixel(event.x ?? 0);
            if (x !== undefined) onMove(Math.min(to, Math.max(from, x)));
          },
          scales: {
            x: {
              type: 'linear',
              min: from,
              max: to,
              // By itself it spreads what it writes evenly, at 0:31 and 1:03.
              afterBuildTicks: (axis) => {
                const first = Math.ceil(from / step) * step;
                const count = Math.max(0, Math.floor((to - first) / step) + 1);
                axis.ticks = Array.from({ length: count }, (_, index) => ({ value: first + index * step }));
              },
              ticks: {
                autoSkip: false,
                color: colours.quiet,
                font: chartFont,
                callback: (value) => wordsAt(Number(value)),
              },
              grid: { display: false },
              border: { color: colours.edge },
            },
            y: {
              min: 0,
              max: Math.max(1, top),
              ticks: { precision: 0, color: colours.quiet, font: chartFont },
              grid: { color: colours.line },
              border: { display: false },
            },
          },
          plugins: { legend: { display: false }, tooltip: { enabled: false } },
        }}
      />
    </div>
  );
}
