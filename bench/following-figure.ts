import { decodeWatching, encodeWatching, lessonFigures, retentionOf, watchingFindings } from '@semita/core/analysis';
import { coverageOf } from '@semita/core/coverage';
import { createRandom } from '../demo/src/seeded-random.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';
import { lessonOfStops } from './lesson-of-stops.ts';

const clipMs = 45 * 60_000;
const attempts = 1_000;
const [students, stops] = [300, 200];

/** A thousand students watch three quarters of an hour: some leave, many look back here and there, as their lines are sent. */
function watchedLines(): string[] {
  const random = createRandom(3);
  return Array.from({ length: attempts }, () => {
    const leftMs = random.chance(0.7) ? clipMs : random.between(60_000, clipMs);
    const back = Array.from({ length: 25 }, () => {
      const fromMs = random.between(0, leftMs);
      return { fromMs, toMs: Math.min(leftMs, fromMs + random.between(2_000, 40_000)) };
    });
    const coverage = coverageOf([{ fromMs: 0, toMs: leftMs }, ...back]);
    const pauses = Array.from({ length: 10 }, () => random.between(0, leftMs));
    return encodeWatching({ coverage, furthestMs: leftMs, positionMs: leftMs, pauses });
  });
}

function answered() {
  const random = createRandom(4);
  const lesson = lessonOfStops(stops);
  const asked = lesson.parts.flatMap((part) =>
    part.stops.flatMap((stop) =>
      stop.kind === 'checkpoint' ? stop.questions.map((question) => ({ stopId: stop.id, question })) : [],
    ),
  );
  const results = Array.from({ length: students }, (_, s) => {
    const skill = random.next();
    return asked.map(({ stopId, question }) => {
      const isRight = random.chance(skill);
      return {
        ...{ studentId: `s${s}`, stopId, questionId: question.id, possible: 100, hasLeft: false, confidence: null },
        ...{ firstPoints: isRight ? 100 : 0, picked: [isRight ? 'right' : 'wrong'], stopSpentMs: 20_000 },
      };
    });
  }).flat();
  return { lesson, results, json: JSON.stringify(results) };
}

export async function measureFollowing(): Promise<Figure[]> {
  const lines = watchedLines();
  const window = { fromMs: 0, toMs: clipMs };
  const watching = () => {
    const read = lines.map((line, i) => decodeWatching(`s${i}`, line));
    watchingFindings(read, window, retentionOf(read, window));
  };
  const { lesson, results, json } = answered();
  const started = performance.now();
  watching();
  console.log(
    `retention of ${attempts} attempts × 45 minutes: ${Math.round(performance.now() - started)} ms (goal 100)`,
  );
  return [
    {
      name: `Watching of ${attempts} attempts × 45 minutes, read and told ÷ JSON.parse of its lines`,
      ratio: await medianRatio(
        7,
        () => timeOf(watching),
        () => timeOf(() => lines.map((line) => JSON.parse(line))),
      ),
      goal: 6,
      better: 'lower',
    },
    {
      name: `Figures, findings and proposals of ${students} × ${stops} answers ÷ JSON.parse of the answers`,
      ratio: await medianRatio(
        5,
        () => timeOf(() => lessonFigures(lesson, results)),
        () => timeOf(() => JSON.parse(json)),
      ),
      goal: 12,
      better: 'lower',
    },
  ];
}
