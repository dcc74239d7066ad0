import { type AnswerGroup, groupAnswers } from '@semita/core/analysis';
import { correctResponse, markResponse } from '@semita/core/marking';
import { isTeacherMarked, type Question, type Response } from '@semita/core/question';
import { createRandom } from '../demo/src/seeded-random.ts';
import { respondWrongly } from '../demo/src/wrong-response.ts';
import { everyKind } from '../packages/core/src/examples/every-kind.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';

const responseCount = 1_000;
const answerCount = 200;
const groupingGoalMs = 50;

/** Responses to all kinds in turn that a program marks, half of them right. */
function createResponses(): { question: Question; response: Response }[] {
  const random = createRandom(5);
  const marked = Object.values(everyKind).filter(({ kind }) => !isTeacherMarked(kind));
  return Array.from({ length: responseCount }, (_, i) => {
    const question = marked[i % marked.length] as Question;
    const right = correctResponse(question);
    return { question, response: right && random.chance(0.5) ? right : respondWrongly(question, random) };
  });
}

/** What a big year group writes to one question: a few wordings, each misspelt in its own way. */
function createAnswers(): string[] {
  const random = createRandom(6);
  const wordings = [
    'the deck',
    'the main cable',
    'it is in compression',
    'because the load bends it',
    'the towers push down',
  ];
  return Array.from({ length: answerCount }, () => {
    const words = random.pick(wordings);
    const at = Math.floor(random.between(0, words.length));
    return random.chance(0.5) ? words : words.slice(0, at) + random.pick(['x', '', 'ee']) + words.slice(at + 1);
  });
}

export async function measureMarking(): Promise<Figure[]> {
  const responses = createResponses();
  const stored = JSON.stringify(responses.map(({ response }) => response));
  const markAll = () => responses.map(({ question, response }) => markResponse(question, response));
  const answers = createAnswers();
  const groupAll = (): readonly AnswerGroup[] => groupAnswers(answers);
  return [
    {
      name: 'Marking 1,000 responses of all kinds ÷ JSON.parse of the same',
      ratio: await medianRatio(
        9,
        () => timeOf(markAll),
        () => timeOf(() => JSON.parse(stored)),
      ),
      goal: 5,
      better: 'lower',
    },
    {
      name: 'Grouping 200 short answers ÷ 50 ms',
      ratio: await medianRatio(
        7,
        () => timeOf(groupAll),
        () => groupingGoalMs,
      ),
      goal: 1,
      better: 'lower',
    },
  ];
}
