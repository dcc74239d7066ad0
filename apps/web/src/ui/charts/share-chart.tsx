import { CategoryScale, Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { chartFont, useChartColours } from './chart-colours.ts';

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip);

interface Props {
  readonly points: readonly { readonly words: string; readonly share: number }[];
}

const longestWords = 22;
const shortened = (words: string) => (words.length > longestWords ? `${words.slice(0, longestWords - 1)}…` : words);

/** Shares one after the other. Whoever does not see it is told by the table that stands with it. */
export default function ShareChart({ points }: Props) {
  const colours = useChartColours();
  return (
    <div aria-hidden className="h-48 print:h-auto [&>canvas]:max-w-full print:[&>canvas]:h-auto!">
      <Line
        data={{
          labels: points.map(({ words }) => shortened(words)),
          datasets: [
            {
              data: points.map(({ share }) => Math.round(share * 100)),
              borderColor: colours.main,
              backgroundColor: colours.main,
              borderWidth: 2,
              pointRadius: 4,
            },
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              offset: true,
              ticks: { color: colours.ink, font: chartFont },
              grid: { display: false },
              border: { color: colours.edge },
            },
            y: {
              min: 0,
              max: 100,
              ticks: { stepSize: 25, color: colours.quiet, font: chartFont, callback: (value) => `${value}%` },
              grid: { color: colours.line },
              border: { display: false },
            },
          },
          plugins: {
            legend: { display: false },
            tooltip: { callbacks: { label: ({ raw }) => `${String(raw)}%` } },
          },
        }}
      />
    </div>
  );
}
