import { picksOf } from '@semita/core/checks';
import type { Checkpoint, Lesson, Rule, RuleCondition, Target } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { Plus, X } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { Select } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { groupsOptions } from '../classes/queries.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { ConditionField, conditionOf, otherSide, type PickRow } from './condition-field.tsx';
import { TargetField } from './target-field.tsx';
import { ruleWords, targetWords } from './way-words.ts';
import './words.ts';

interface Props {
  readonly lesson: Lesson;
  readonly rules: readonly Rule[];
  /** What was answered, on which the rules look. */
  readonly questions: Checkpoint['questions'];
  /** Where all others go. */
  readonly usual: Target;
  readonly onChange: (rules: readonly Rule[]) => void;
}

const kinds = ['scoreBelow', 'scoreFrom', 'picked', 'scaleBelow', 'scaleFrom', 'confidenceAtMost', 'inGroup'] as const;

/** Where to go on by what was answered: rules in their order, each also said as a sentence. */
export function RulesEditor({ lesson, rules, questions, usual, onChange }: Props) {
  const change = (index: number, rule: Rule) => onChange(rules.with(index, rule));
  const picks = questions.flatMap((question) =>
    picksOf(question).map((pick): PickRow => ({ ...pick, questionId: question.id })),
  );
  const scales = questions.filter((question) => question.kind === 'slider');
  const known = useQuery(groupsOptions());
  const used = rules.flatMap(({ when }) => (when.kind === 'inGroup' ? [when.group] : []));
  const groups = [...new Set([...(known.data ?? []), ...used])];
  const isOffered = (kind: RuleCondition['kind']) =>
    (kind !== 'picked' || picks.length > 0) &&
    ((kind !== 'scaleBelow' && kind !== 'scaleFrom') || scales.length > 0) &&
    (kind !== 'inGroup' || groups.length > 0) &&
    (kind !== 'confidenceAtMost' || questions.some(({ asksConfidence }) => asksConfidence));
  return (
    <div className="grid gap-2">
      {rules.map((rule, index) => (
        <div key={rule.id} className="grid gap-1.5 rounded-control border border-line border-l-4 border-l-marigold p-2">
          <div className="flex flex-wrap items-center gap-2">
            <Select
              aria-label={t('path.ruleWhen', { number: index + 1 })}
              value={rule.when.kind}
              onChange={(event) => {
                const kind = event.target.value as RuleCondition['kind'];
                const when = otherSide(rule.when, kind) ?? conditionOf(kind, picks[0], scales[0], groups[0]);
                change(index, { ...rule, when });
              }}
            >
              {/* What a rule is about stays told, though its question is gone. */}
              {kinds
                .filter((kind) => kind === rule.when.kind || isOffered(kind))
                .map((kind) => (
                  <option key={kind} value={kind}>
                    {t(`path.kind.${kind}`)}
                  </option>
                ))}
            </Select>
            <ConditionField
              label={t('path.ruleValue', { number: index + 1 })}
              when={rule.when}
              {...{ picks, scales, groups }}
              onChange={(when) => change(index, { ...rule, when })}
            />
            <TargetField
              label={t('path.ruleTo', { number: index + 1 })}
              lesson={lesson}
              target={rule.to}
              others={['onward', 'end']}
              onChange={(to) => change(index, { ...rule, to })}
            />
            <Button
              look="quiet"
              size="small"
              aria-label={t('path.removeRule', { number: index + 1 })}
              onClick={() => onChange(rules.toSpliced(index, 1))}
            >
              <X aria-hidden className="size-4" strokeWidth={1.75} />
            </Button>
          </div>
          <p className="text-14 text-quiet">{ruleWords(lesson, rule, questions)}</p>
        </div>
      ))}
      {rules.length > 0 && <p className="text-14 text-quiet">{t('path.others', { to: targetWords(lesson, usual) })}</p>}
      <div>
        <Button
          size="small"
          look="quiet"
          onClick={() =>
            onChange([...rules, { id: newItemId(), when: conditionOf('scoreBelow'), to: { kind: 'onward' } }])
          }
        >
          <Plus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('path.addRule')}
        </Button>
      </div>
    </div>
  );
}
