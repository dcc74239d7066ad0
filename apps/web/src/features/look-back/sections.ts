import {
  type LookBack,
  type LookBackFigures,
  lookBackOf,
  type QuestionFigures,
  questionsOf,
} from '@semita/core/analysis';
import type { Sheet, StopFigures } from '@semita/core/contract';
import type { Question } from '@semita/core/question';
import type { NamedTarget } from '@semita/core/target';

/** One question as it is looked at: how it went, and answers that were chosen. */
export interface QuestionSection {
  readonly kind: 'question';
  readonly number: number;
  readonly question: Question;
  readonly figures: QuestionFigures;
  readonly isHidden: boolean;
  readonly shown: LookBack['shown'];
}

export type Section =
  | { readonly kind: 'opening'; readonly handedIn: number; readonly all: number; readonly share: number | null }
  | QuestionSection
  | { readonly kind: 'targets'; readonly targets: LookBackFigures['targets'] }
  | { readonly kind: 'again'; readonly words: string; readonly weak: readonly QuestionSection[] };

/** What there is to be looked at, in the order in which a class looks at it. */
export function sectionsOf(
  { students }: Pick<Sheet, 'students'>,
  { lesson, figures }: StopFigures,
  content: LookBack,
  known: ReadonlyMap<string, NamedTarget>,
): readonly Section[] {
  const told = lookBackOf(lesson, figures, known);
  const ofId = new Map(figures.questions.map((one) => [one.questionId, one]));
  const questions = questionsOf(lesson).flatMap(({ question }, index): QuestionSection[] => {
    const own = ofId.get(question.id);
    if (!own || own.answered === 0) return [];
    return [
      {
        ...{ kind: 'question', number: index + 1, question, figures: own },
        isHidden: content.hidden.includes(question.id),
        shown: content.shown.filter(({ questionId }) => questionId === question.id),
      },
    ];
  });
  const here = students.filter(({ leftAt, isGuest }) => leftAt === undefined && !isGuest);
  const weak = told.weak.flatMap((id) => questions.find(({ question }) => question.id === id) ?? []);
  return [
    {
      ...{ kind: 'opening', share: told.share, all: here.length },
      handedIn: here.filter(({ row }) => row?.handedInAt != null).length,
    },
    ...questions,
    ...(told.targets.length > 0 ? [{ kind: 'targets' as const, targets: told.targets }] : []),
    ...(content.again.trim() !== '' || weak.length > 0
      ? [{ kind: 'again' as const, words: content.again.trim(), weak: weak.filter(({ isHidden }) => !isHidden) }]
      : []),
  ];
}
