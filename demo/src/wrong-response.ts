import { correctResponse } from '@semita/core/marking';
import { type Drawing, type Question, type Response, type ResponseBody, shuffledByWords } from '@semita/core/question';
import type { Random } from './seeded-random.ts';

/** What a student gives who does not know, or has only an opinion. */
export function respondWrongly(question: Question, random: Random): Response {
  switch (question.kind) {
    case 'choice': {
      const [right = [], wrong = []] = [true, false].map((isRight) =>
        question.options.filter((option) => option.correct === isRight).map(({ id }) => id),
      );
      const picked = random.pick(wrong);
      return { kind: 'choice', optionIds: question.multiple ? [right[0] as string, picked] : [picked] };
    }
    case 'poll':
      return { kind: 'choice', optionIds: [random.pick(question.options).id] };
    case 'slider':
      return { kind: 'scale', value: Math.round(random.between(question.min, question.max)) };
    case 'numeric':
      return { kind: 'number', text: `${Math.round(question.value * random.between(1.2, 3))} ${question.unit}`.trim() };
    case 'drawing':
      return { kind: 'drawing', drawing: { marks: [sketch(random)] } };
    case 'extendedText':
    case 'discussion':
      return { kind: 'extendedText', text: random.pick(['the cable', 'The cable pulls', 'I do not know.']) };
    case 'inlineChoice':
      return {
        kind: 'gaps',
        gaps: Object.fromEntries(question.gaps.map(({ id, options }) => [id, random.pick(options).id])),
      };
    default:
      return confused(correctResponse(question), random);
  }
}

/** The key with its pieces in each other's places. */
function confused(right: ResponseBody | null, random: Random): Response {
  const seed = String(random.between(0, 1e9));
  switch (right?.kind) {
    case 'gaps': {
      const [gapIds, words] = [Object.keys(right.gaps), shuffledByWords(Object.values(right.gaps), seed)];
      return { kind: 'gaps', gaps: Object.fromEntries(gapIds.map((id, index) => [id, words[index] as string])) };
    }
    case 'order':
      return { kind: 'order', itemIds: shuffledByWords(right.itemIds, seed) };
    case 'pairs': {
      const seconds = shuffledByWords(
        right.pairs.map(([, second]) => second),
        seed,
      );
      return { kind: 'pairs', pairs: right.pairs.map(([first], index) => [first, seconds[index] as string]) };
    }
    case 'choice':
      return { kind: 'choice', optionIds: right.optionIds.slice(0, 1) };
    case 'points':
      return { kind: 'points', points: right.points.map(() => [random.between(0, 1e4), random.between(0, 1e4)]) };
    default:
      return { kind: 'extendedText', text: '' };
  }
}

const arrow = (from: readonly [number, number], to: readonly [number, number]) =>
  ({ tool: 'arrow', colour: 'ink', size: 50, from, to }) as const;

/** An arrow into the water, drawn in a hurry. */
function sketch(random: Random) {
  const x = Math.round(random.between(4_300, 5_600));
  return arrow([x, 3_200], [x + Math.round(random.between(-200, 200)), 5_000]);
}

/** From the truck along the beam to both banks, and down into them. */
export const goodDrawing: Drawing = {
  marks: [
    arrow([4_400, 3_250], [2_500, 3_000]),
    arrow([5_500, 3_250], [7_500, 3_000]),
    arrow([2_150, 3_200], [2_150, 5_100]),
    arrow([7_850, 3_200], [7_850, 5_100]),
    { tool: 'text', colour: 'brick', size: 300, at: [3_000, 3_900], text: 'the load goes to the ends' },
  ],
};
