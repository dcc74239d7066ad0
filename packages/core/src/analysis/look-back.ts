import type { Lesson } from '../lesson/lesson.ts';
import { type NamedTarget, targetsNamed } from '../target/target.ts';
import { type LessonFigures, questionsOf } from './lesson-figures.ts';
import { fewestAnswersSeen } from './seen-difficulty.ts';

/** What a teacher decided to show a class of what it did. */
export interface LookBack {
  /** What is to be taken up again, in the teacher's words. */
  readonly again: string;
  /** Questions that are not shown. */
  readonly hidden: readonly string[];
  /** Answers that are, in their order. */
  readonly shown: readonly ShownAnswer[];
}

export interface ShownAnswer {
  readonly questionId: string;
  readonly studentId: string;
  readonly isNamed: boolean;
}

export const emptyLookBack: LookBack = { again: '', hidden: [], shown: [] };

/** Below this share of its points, a question is worth taking up again. Common practice, no source. */
export const weakShare = 0.5;

export interface LookBackFigures {
  /** Mean of the questions that say something; null where none does. */
  readonly share: number | null;
  /** Questions to be taken up again, the weakest first. */
  readonly weak: readonly string[];
  /** Share of the points of all questions that name a target, by how many answers say it. */
  readonly targets: readonly { readonly target: NamedTarget; readonly share: number; readonly answers: number }[];
}

/**
 * What the answers of a class come to, to be looked at with it.
 * @param lesson with its keys
 * @param known targets by what may be written for them
 */
export function lookBackOf(
  lesson: Lesson,
  { questions }: LessonFigures,
  known: ReadonlyMap<string, NamedTarget>,
): LookBackFigures {
  const lineOf = new Map(questionsOf(lesson).map(({ question }) => [question.id, question.target]));
  const told = questions.flatMap(({ questionId, meanShare, count }) =>
    meanShare === null ? [] : [{ questionId, meanShare, count }],
  );
  const byTarget = new Map<string, { target: NamedTarget; sum: number; answers: number }>();
  for (const { questionId, meanShare, count } of told)
    for (const target of targetsNamed(lineOf.get(questionId), known)) {
      const { sum, answers } = byTarget.get(target.key) ?? { sum: 0, answers: 0 };
      byTarget.set(target.key, { target, sum: sum + meanShare * count, answers: answers + count });
    }
  return {
    share: told.length === 0 ? null : told.reduce((sum, { meanShare }) => sum + meanShare, 0) / told.length,
    weak: told
      .filter(({ meanShare }) => meanShare < weakShare)
      .toSorted((a, b) => a.meanShare - b.meanShare)
      .map(({ questionId }) => questionId),
    targets: [...byTarget.values()]
      .filter(({ answers }) => answers >= fewestAnswersSeen)
      .map(({ target, sum, answers }) => ({ target, share: sum / answers, answers })),
  };
}
