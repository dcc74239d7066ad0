import { rubricPossible } from '@semita/core/marking';
import type { Question, Rubric, RubricCriterion } from '@semita/core/question';
import { Plus, X } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { TextInput } from '../../ui/field.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { NumberInput } from './fields.tsx';
import { RubricShelf } from './rubric-shelf.tsx';
import './words.ts';

interface Props {
  readonly question: Question;
  readonly onChange: (question: Question) => void;
}

const level = (words: string, points: number) => ({ id: newItemId(), words, points });

function createCriterion(): RubricCriterion {
  return {
    id: newItemId(),
    title: '',
    levels: [
      level(t('editor.level.none'), 0),
      level(t('editor.level.partly'), 100),
      level(t('editor.level.fully'), 200),
    ],
  };
}

/** What a teacher looks for in an answer. Its best levels are the question's points. */
export function RubricEditor({ question, onChange }: Props) {
  const rubric = question.rubric ?? { criteria: [] };
  const set = (next: Rubric) =>
    onChange(
      next.criteria.length === 0
        ? { ...question, rubric: undefined }
        : { ...question, rubric: next, points: rubricPossible(next) },
    );
  const setCriterion = (index: number, change: Partial<RubricCriterion>) =>
    set({ criteria: rubric.criteria.with(index, { ...(rubric.criteria[index] as RubricCriterion), ...change }) });
  return (
    <fieldset className="grid gap-3">
      <legend className="mb-1 text-14 font-medium">{t('editor.rubric')}</legend>
      {rubric.criteria.map((criterion, index) => (
        <div key={criterion.id} className="grid gap-2 rounded-control border border-line p-3">
          <div className="flex gap-2">
            <TextInput
              aria-label={t('editor.criterion', { number: index + 1 })}
              placeholder={t('editor.criterion', { number: index + 1 })}
              className="h-9 text-14"
              value={criterion.title}
              onChange={(event) => setCriterion(index, { title: event.target.value })}
            />
            <Button
              look="quiet"
              size="small"
              aria-label={t('editor.removeRow', { row: t('editor.criterion', { number: index + 1 }) })}
              onClick={() => set({ criteria: rubric.criteria.toSpliced(index, 1) })}
            >
              <X aria-hidden className="size-4" strokeWidth={1.75} />
            </Button>
          </div>
          {criterion.levels.map((one, at) => (
            <div key={one.id} className="flex items-end gap-2">
              <TextInput
                aria-label={t('editor.levelWords', { number: at + 1 })}
                className="h-9 text-14"
                value={one.words}
                onChange={(event) =>
                  setCriterion(index, { levels: criterion.levels.with(at, { ...one, words: event.target.value }) })
                }
              />
              <NumberInput
                label={t('desk.points')}
                value={one.points / 100}
                min={0}
                max={100}
                step={0.5}
                className="w-20"
                onChange={(points) =>
                  setCriterion(index, {
                    levels: criterion.levels.with(at, { ...one, points: Math.round(points * 100) }),
                  })
                }
              />
              <Button
                look="quiet"
                size="small"
                disabled={criterion.levels.length <= 2}
                aria-label={t('editor.removeRow', { row: t('editor.levelWords', { number: at + 1 }) })}
                onClick={() => setCriterion(index, { levels: criterion.levels.toSpliced(at, 1) })}
              >
                <X aria-hidden className="size-4" strokeWidth={1.75} />
              </Button>
            </div>
          ))}
          <div>
            <Button
              size="small"
              look="quiet"
              disabled={criterion.levels.length >= 8}
              onClick={() => setCriterion(index, { levels: [...criterion.levels, level('', 0)] })}
            >
              <Plus aria-hidden className="size-4" strokeWidth={1.75} />
              {t('editor.addLevel')}
            </Button>
          </div>
        </div>
      ))}
      <div className="flex flex-wrap items-center gap-2">
        <Button
          size="small"
          disabled={rubric.criteria.length >= 12}
          onClick={() => set({ criteria: [...rubric.criteria, createCriterion()] })}
        >
          <Plus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('editor.addCriterion')}
        </Button>
        <RubricShelf rubric={question.rubric} onChoose={set} />
        {rubric.criteria.length > 0 && (
          <span className="text-14 text-quiet">
            {t('editor.rubricSum', { points: formatPoints(rubricPossible(rubric)) })}
          </span>
        )}
      </div>
    </fieldset>
  );
}
