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
  readonly onPick?: (index: number) => void;
  /** How much larger than usual it stands on the page, so that it is drawn as sharp. */
  readonly zoom?: number;
}

const longestLine = 34;
const shortened = (line: string) => (line.length > longestLine ? `${line.slice(0, longestLine - 1)}…` : line);

/** Words in one line, or in two that break between words. */
function linesOf(words: string): string | string[] {
  if (words.length <= longestLine) return words;
  const at = words.lastIndexOf(' ', longestLine);
  return at <= 0 ? shortened(words) : [words.slice(0, at), shortened(words.slice(at + 1))];
}

/** How high a chart of so many bars stands on its page. */
export const countChartHeightPx = (words: readonly string[]): number =>
  words.length * (words.some((one) => Array.isArray(linesOf(one))) ? 44 : 34) + 36;

/** How many for each, as bars. Whoever does not see it is told by the table that stands with it. */
export default function CountChart({ bars, of, wordsOf, onPick, zoom = 1 }: Props) {
  const colours = useChartColours();
  return (
    <div aria-hidden style={{ height: countChartHeightPx(bars.map(({ words }) => words)) }}>
      <Bar
        data={{
          labels: bars.map(({ words }) => linesOf(words)),
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
          devicePixelRatio: window.devicePixelRatio * zoom,
          maintainAspectRatio: false,
          onClick: (_event, [element]) => element && onPick?.(element.index),
          scales: {
            x: {
              min: 0,
              max: Math.max(1, of),
              ticks: { precision: 0, includeBounds: false, color: colours.quiet, font: chartFont },
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
