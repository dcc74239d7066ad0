import type { Hundredths } from '../elements/points.ts';
import { type Lesson, stopsInOrder } from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';
import { alphaOf, type ItemFigures, itemFigures } from './item-figures.ts';
import { medianOf } from './median.ts';
import { isWrongPick } from './picks.ts';
import { type Mistake, type Proposal, proposeGroups, type SeenResult } from './proposals.ts';
import { type QuestionFinding, questionFindings } from './question-findings.ts';
import { fewestAnswersSeen } from './seen-difficulty.ts';

/** What one student did with one question, as it is kept. */
export interface KeptResult extends Omit<SeenResult, 'share'> {
  /** What the first of the tries came to; null while it waits for a teacher. */
  readonly firstPoints: Hundredths | null;
  readonly possible: Hundredths;
  /** No longer receives the assignment: counts in the figures, and is proposed for nothing. */
  readonly hasLeft: boolean;
}

export interface QuestionFigures extends ItemFigures {
  readonly stopId: string;
  readonly questionId: string;
  readonly answered: number;
  readonly waiting: number;
  /** Of those who said they were sure or certain, and how many of them were wrong; null where it was not asked. */
  readonly sure: { readonly count: number; readonly wrong: number } | null;
  /** Time at the stop, all its questions together; null with too few. */
  readonly medianStopMs: number | null;
  readonly findings: readonly QuestionFinding[];
}

export interface LessonFigures {
  readonly questions: readonly QuestionFigures[];
  readonly reliability: ReturnType<typeof alphaOf>;
  readonly proposals: readonly Proposal[];
}

/** All questions of a lesson with their stops, in the order a learner meets them. */
export function questionsOf(lesson: Lesson): readonly { readonly stopId: string; readonly question: Question }[] {
  return lesson.parts
    .flatMap(({ stops }) => stopsInOrder(stops))
    .flatMap((stop) =>
      stop.kind === 'checkpoint' ? stop.questions.map((question) => ({ stopId: stop.id, question })) : [],
    );
}

/**
 * What the answers to a lesson say of its questions and of its students. Of several tries the first counts.
 * @param lesson with its keys
 * @param results one of each student and question that was answered
 * @param locale BCP 47 tag of the class, for numbers
 */
export function lessonFigures(lesson: Lesson, results: readonly KeptResult[], locale = 'en'): LessonFigures {
  const questions = questionsOf(lesson);
  const byId = new Map(questions.map(({ question }) => [question.id, question]));
  const marked: (SeenResult & Pick<KeptResult, 'hasLeft'>)[] = [];
  // Written out, for there are tens of thousands of them: to spread each would take longer than all that follows.
  for (const {
    firstPoints,
    possible,
    studentId,
    stopId,
    questionId,
    picked,
    confidence,
    stopSpentMs,
    hasLeft,
  } of results)
    if (firstPoints !== null && possible > 0 && byId.has(questionId)) {
      const share = Math.min(1, firstPoints / possible);
      marked.push({ studentId, stopId, questionId, share, picked, confidence, stopSpentMs, hasLeft });
    }
  const figures = itemFigures(marked);
  const findingsOf = new Map(
    questions.map(({ question }) => [
      question.id,
      questionFindings(question, figures.get(question.id) ?? noFigures, locale),
    ]),
  );
  const isWrong = ({ questionId, pick }: Mistake) => {
    const question = byId.get(questionId);
    // Where the key itself is doubted, nobody is wrong by it yet.
    const isDoubted = findingsOf.get(questionId)?.some((one) => one.kind === 'lookAtKey' && one.pick === pick);
    return question !== undefined && !isDoubted && isWrongPick(question, pick, locale);
  };
  const given = new Map(questions.map(({ question }): [string, KeptResult[]] => [question.id, []]));
  for (const result of results) given.get(result.questionId)?.push(result);
  return {
    questions: questions.map(({ stopId, question }) => {
      const own = given.get(question.id) ?? [];
      const item = figures.get(question.id) ?? noFigures;
      const times = own.flatMap(({ stopSpentMs }) => stopSpentMs ?? []);
      return {
        ...{ stopId, questionId: question.id, answered: own.length },
        waiting: own.filter(({ firstPoints }) => firstPoints === null).length,
        sure: sureOf(own),
        medianStopMs: times.length < fewestAnswersSeen ? null : medianOf(times),
        ...item,
        findings: findingsOf.get(question.id) ?? [],
      };
    }),
    reliability: alphaOf(marked),
    proposals: proposeGroups(
      marked.filter(({ hasLeft }) => !hasLeft),
      isWrong,
    ),
  };
}

const noFigures: ItemFigures = { count: 0, meanShare: null, discrimination: null, upperLower: null, options: [] };

function sureOf(own: readonly KeptResult[]): QuestionFigures['sure'] {
  const asked = own.filter(
    ({ confidence, possible, firstPoints }) => confidence !== null && possible > 0 && firstPoints !== null,
  );
  if (asked.length === 0) return null;
  const sure = asked.filter(({ confidence }) => (confidence ?? 0) >= 3);
  return {
    count: sure.length,
    wrong: sure.filter(({ firstPoints, possible }) => (firstPoints ?? 0) < possible).length,
  };
}
