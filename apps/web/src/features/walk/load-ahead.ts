import type { LearnerLesson } from '@semita/core/learner';
import { useEffect } from 'react';

export const loadSoFar = () => import('./so-far.tsx');
export const loadBoardPanel = () => import('./board-panel.tsx');
export const loadStopPanel = () => import('./stop-panel.tsx');
const loadFields = async (lesson: LearnerLesson) =>
  (await import('../question/question-field.tsx')).loadFieldsOf(lesson);

/** Fetches what stops need once the walk stands on the page: it is first wanted at one, perhaps without a connection. */
export function useLoadAhead(lesson: LearnerLesson): void {
  useEffect(() => void loadFields(lesson), [lesson]);
  const hasBoard = lesson.parts.some(({ kind }) => kind === 'board');
  useEffect(
    () => void Promise.allSettled([loadStopPanel(), loadSoFar(), ...(hasBoard ? [loadBoardPanel()] : [])]),
    [hasBoard],
  );
}
