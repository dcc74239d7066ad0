import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import { Bar } from 'react-chartjs-2';
import { type ChartColour, chartFont, useChartColours } from './chart-colours.ts';

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

export interface CountBar {
  readonly words: string;
  readonly count: number;
  readonly colour: ChartColour;
}

interface Props {
  readonly bars: readonly CountBar[];
  /** How many there are in all: where the axis ends. */
  readonly of: number;
  /** What one of them is, for the tooltip. */
  readonly wordsOf: (count: number) => string;
  readonly onPick: (index: number) => void;
}

const longestWords = 44;
const shortened = (words: string) => (words.length > longestWords ? `${words.slice(0, longestWords - 1)}…` : words);

/** How many for each, as bars. Whoever does not see it is told by the table that stands with it. */
export default function CountChart({ bars, of, wordsOf, onPick }: Props) {
  const colours = useChartColours();
  return (
    <div aria-hidden style={{ height: bars.length * 34 + 36 }}>
      <Bar
        data={{
          labels: bars.map(({ words }) => shortened(words)),
          datasets: [
            {
              data: bars.map(({ count }) => count),
              backgroundColor: bars.map(({ colour }) => colours[colour]),
              borderRadius: 4,
              barThickness: 18,
            },
          ],
        }}
        options={{
          indexAxis: 'y',
          animation: false,
          maintainAspectRatio: false,
          onClick: (_event, [element]) => element && onPick(element.index),
          scales: {
            x: {
              min: 0,
              max: Math.max(1, of),
              ticks: { precision: 0, color: colours.quiet, font: chartFont },
              grid: { color: colours.line },
              border: { display: false },
            },
            y: {
              ticks: { color: colours.ink, font: chartFont },
              grid: { display: false },
              border: { color: colours.edge },
            },
          },
          plugins: {
            legend: { display: false },
            tooltip: { callbacks: { label: ({ raw }) => wordsOf(Number(raw)) } },
          },
        }}
      />
    </div>
  );
}
