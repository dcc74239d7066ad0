import type { QuestionKind } from '../question/question.ts';

/** How long answering takes, in seconds, by what is asked. Common practice, no source. */
const answerSeconds: Readonly<Record<QuestionKind, number>> = {
  choice: 45,
  poll: 20,
  inlineChoice: 60,
  gapMatch: 60,
  textEntry: 60,
  numeric: 90,
  order: 60,
  match: 75,
  associate: 75,
  hottext: 45,
  hotspot: 30,
  selectPoint: 45,
  graphicGapMatch: 75,
  slider: 20,
  extendedText: 180,
  drawing: 240,
  upload: 300,
  record: 180,
  discussion: 240,
};

/** How long a note is looked at, in ms. Common practice, no source. */
const pauseMs = 15_000;

/** Of a question whose words are not shown yet it is known what it will be. */
type AskedKind = { readonly kind: QuestionKind } | { readonly kind: 'sealed'; readonly of: QuestionKind };

interface TimedStop {
  readonly kind: string;
  readonly questions?: readonly AskedKind[];
  readonly pick?: number | undefined;
}

/** How long a stop takes a learner, in ms; where each is given some of its questions, as many times the mean. A fork takes none, and a board as long as its tiles. */
export function stopTimeMs({ kind, questions, pick }: TimedStop): number {
  if (kind === 'fork' || kind === 'board') return 0;
  if (!questions) return pauseMs;
  const allMs = questions.reduce(
    (sum, one) => sum + answerSeconds[one.kind === 'sealed' ? one.of : one.kind] * 1_000,
    0,
  );
  const share = pick === undefined || questions.length === 0 ? 1 : Math.min(1, pick / questions.length);
  return Math.round(allMs * share);
}
