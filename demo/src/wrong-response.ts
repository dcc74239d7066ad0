import { type Question, type Response, type ResponseBody, rightResponse, shuffled } from '@semita/core';
import type { Random } from './seeded-random.ts';

/** What a student gives who does not know, or has only an opinion. */
export function respondWrongly(question: Question, random: Random): Response {
  switch (question.kind) {
    case 'choice': {
      const [right = [], wrong = []] = [true, false].map((isRight) =>
        question.options.filter((option) => option.right === isRight).map(({ id }) => id),
      );
      const picked = random.pick(wrong);
      return { kind: 'choice', optionIds: question.several ? [right[0] as string, picked] : [picked] };
    }
    case 'poll':
      return { kind: 'choice', optionIds: [random.pick(question.options).id] };
    case 'slider':
      return { kind: 'scale', value: Math.round(random.between(question.least, question.most)) };
    case 'numeric':
      return { kind: 'number', text: `${Math.round(question.value * random.between(1.2, 3))} ${question.unit}`.trim() };
    case 'drawing':
      return { kind: 'drawing', drawing: { marks: [sketch(random)] } };
    case 'extendedText':
    case 'discussion':
      return { kind: 'extendedText', text: random.pick(['the cable', 'The cable pulls', 'I do not know.']) };
    default:
      return confused(rightResponse(question), random);
  }
}

/** The key with its pieces in each other's places. */
function confused(right: ResponseBody | null, random: Random): Response {
  const seed = String(random.between(0, 1e9));
  switch (right?.kind) {
    case 'gaps': {
      const [gapIds, words] = [Object.keys(right.gaps), shuffled(Object.values(right.gaps), seed)];
      return { kind: 'gaps', gaps: Object.fromEntries(gapIds.map((id, index) => [id, words[index] as string])) };
    }
    case 'order':
      return { kind: 'order', itemIds: shuffled(right.itemIds, seed) };
    case 'pairs': {
      const seconds = shuffled(
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

/** A line and an arrow, drawn in a hurry. */
function sketch(random: Random) {
  const at = () => Math.round(random.between(1_500, 6_000));
  return { tool: 'arrow', colour: 'ink', size: 50, from: [at(), at()], to: [at(), at()] } as const;
}
