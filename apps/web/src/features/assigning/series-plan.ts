import { weeksLater } from '@semita/core/calendar';
import { writeLocal } from '../../ui/date-time-field.tsx';
import { t } from '../../words/words.ts';
import { faultOf, noWindow, toSentWindow } from './given-to.ts';
import './words.ts';

/** One lesson of a series as the form holds it. */
export interface Step {
  readonly lessonId: string;
  readonly title: string;
  readonly opens: 'afterBefore' | 'withPoints' | 'byDate';
  /** Of the points of the one before, where it opens with those. */
  readonly percent: number;
  readonly opensAt: string;
  readonly dueAt: string;
  readonly isExtra: boolean;
}

export const stepOf = ({ id, title }: { readonly id: string; readonly title: string }): Step => ({
  ...{ lessonId: id, title, opens: 'afterBefore', percent: 70, opensAt: '', dueAt: '', isExtra: false },
});

/** The same steps with one of them further up or down. */
export function moved(steps: readonly Step[], index: number, by: number): readonly Step[] {
  const step = steps[index];
  const others = steps.filter((one) => one !== step);
  return step ? others.toSpliced(index + by, 0, step) : steps;
}

/** Due a week after one another, from the first date on; null where there is none to go by. */
export function weekApart(steps: readonly Step[]): readonly Step[] | null {
  const [first] = steps;
  if (!first || first.dueAt === '' || faultOf(windowOf(first, 0)) === 'unreadable') return null;
  const [day = '', time = ''] = first.dueAt.split('T');
  return steps.map((step, index) => ({ ...step, dueAt: `${weeksLater(day, index)}T${time}` }));
}

/** Nothing comes before the first, so that it opens by its date. */
const opensOf = (step: Step, index: number): Step['opens'] => (index === 0 ? 'byDate' : step.opens);

export const windowOf = (step: Step, index: number) => ({
  ...noWindow,
  opensAt: opensOf(step, index) === 'byDate' ? step.opensAt : '',
  dueAt: step.dueAt,
});

/** What the contract takes. */
export function toSentStep(step: Step, index: number) {
  const opens = opensOf(step, index);
  return {
    ...{ lessonId: step.lessonId, isExtra: step.isExtra, ...toSentWindow(windowOf(step, index)) },
    afterPercent: opens === 'byDate' ? null : opens === 'withPoints' ? step.percent : 0,
  };
}

/** What is about to happen, step by step. */
export function stepsInWords(steps: readonly Step[]): string {
  return steps
    .map((step, index) => {
      const opens = opensOf(step, index);
      const before = steps[index - 1]?.title;
      const when =
        opens === 'afterBefore'
          ? t('assign.series.saysAfter', { before })
          : opens === 'withPoints'
            ? t('assign.series.saysPoints', { before, percent: step.percent })
            : step.opensAt === ''
              ? t('assign.fromNow')
              : t('assign.from', { time: writeLocal(step.opensAt) });
      const due = step.dueAt === '' ? t('assign.noDue') : t('assign.dueAt', { time: writeLocal(step.dueAt) });
      return t('assign.series.says', { title: step.title, when, due });
    })
    .join('; ');
}
