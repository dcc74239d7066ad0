import {
  type Checkpoint,
  type Lesson,
  picksOf,
  type Rule,
  type RuleCondition,
  type RulePick,
  type SliderQuestion,
  type Target,
} from '@semita/core';
import { useQuery } from '@tanstack/react-query';
import { Plus, X } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { Select, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { groupsOptions } from '../classes/queries.ts';
import { sureWords } from '../question/sure-field.tsx';
import { newItemId } from '../question-editor/new-id.ts';
import { TargetField } from './target-field.tsx';
import { ruleWords, targetWords } from './way-words.ts';

interface Props {
  readonly lesson: Lesson;
  readonly rules: readonly Rule[];
  /** What was answered, on which the rules look. */
  readonly questions: Checkpoint['questions'];
  /** Where all others go. */
  readonly usual: Target;
  readonly onChange: (rules: readonly Rule[]) => void;
}

const kinds = ['scoreBelow', 'scoreFrom', 'picked', 'scaleBelow', 'scaleFrom', 'sureAtMost', 'inGroup'] as const;

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
  const offered = kinds.filter(
    (kind) =>
      (kind !== 'picked' || picks.length > 0) &&
      ((kind !== 'scaleBelow' && kind !== 'scaleFrom') || scales.length > 0) &&
      (kind !== 'inGroup' || groups.length > 0) &&
      (kind !== 'sureAtMost' || questions.some(({ asksConfidence }) => asksConfidence)),
  );
  return (
    <div className="grid gap-2">
      {rules.map((rule, index) => (
        <div key={rule.id} className="grid gap-1.5 rounded-control border border-line border-l-4 border-l-marigold p-2">
          <div className="flex flex-wrap items-center gap-2">
            <Select
              aria-label={t('path.ruleWhen', { number: index + 1 })}
              value={rule.when.kind}
              onChange={(event) =>
                change(index, {
                  ...rule,
                  when: conditionOf(event.target.value as RuleCondition['kind'], picks[0], scales[0], groups[0]),
                })
              }
            >
              {offered.map((kind) => (
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

interface PickRow extends RulePick {
  readonly questionId: string;
}

/** What a condition of a kind begins as. */
function conditionOf(kind: RuleCondition['kind'], pick?: PickRow, scale?: SliderQuestion, group = ''): RuleCondition {
  if (kind === 'inGroup') return { kind, group };
  if (kind === 'picked') return { kind, questionId: pick?.questionId ?? '', optionId: pick?.optionId ?? '' };
  if (kind === 'scaleBelow' || kind === 'scaleFrom')
    return { kind, questionId: scale?.id ?? '', value: scale ? middleOf(scale) : 0 };
  return kind === 'sureAtMost' ? { kind, sure: 2 } : { kind, percent: 60 };
}

/** The step next to the middle of a scale, where the sides part. */
const middleOf = ({ least, most, step }: SliderQuestion) =>
  least + Math.ceil((most - least) / 2 / Math.max(step, Number.EPSILON)) * step;

interface ConditionProps {
  readonly label: string;
  readonly when: RuleCondition;
  readonly picks: readonly PickRow[];
  readonly scales: readonly SliderQuestion[];
  readonly groups: readonly string[];
  readonly onChange: (when: RuleCondition) => void;
}

function ConditionField({ label, when, picks, scales, groups, onChange }: ConditionProps) {
  if (when.kind === 'picked')
    return (
      <Select
        aria-label={label}
        className="max-w-60"
        value={JSON.stringify([when.questionId, when.optionId])}
        onChange={(event) => {
          const [questionId = '', optionId = ''] = JSON.parse(event.target.value) as string[];
          onChange({ kind: 'picked', questionId, optionId });
        }}
      >
        {picks.map(({ questionId, optionId, text }) => (
          <option key={`${questionId} ${optionId}`} value={JSON.stringify([questionId, optionId])}>
            {text}
          </option>
        ))}
      </Select>
    );
  if ('value' in when) return <ScaleValue {...{ label, when, scales, onChange }} />;
  if (when.kind === 'inGroup')
    return (
      <Select
        aria-label={label}
        className="max-w-60"
        value={when.group}
        onChange={(event) => onChange({ kind: 'inGroup', group: event.target.value })}
      >
        {groups.map((group) => (
          <option key={group} value={group}>
            {group}
          </option>
        ))}
      </Select>
    );
  if (when.kind === 'sureAtMost')
    return (
      <Select
        aria-label={label}
        value={when.sure}
        onChange={(event) => onChange({ kind: 'sureAtMost', sure: Number(event.target.value) })}
      >
        {([1, 2, 3, 4] as const).map((sure) => (
          <option key={sure} value={sure}>
            {sureWords(sure)}
          </option>
        ))}
      </Select>
    );
  return (
    <span className="flex items-center gap-1 text-14">
      <TextInput
        type="number"
        aria-label={label}
        className="h-9 w-20 px-2 font-mono text-14"
        min={0}
        max={100}
        value={when.percent}
        onChange={(event) => {
          const percent = event.target.valueAsNumber;
          if (percent >= 0 && percent <= 100) onChange({ ...when, percent });
        }}
      />
      %
    </span>
  );
}

/** A value of a scale, and where there are several, of which. */
function ScaleValue({
  label,
  when,
  scales,
  onChange,
}: Pick<ConditionProps, 'label' | 'scales' | 'onChange'> & {
  readonly when: Extract<RuleCondition, { kind: 'scaleBelow' | 'scaleFrom' }>;
}) {
  const scale = scales.find(({ id }) => id === when.questionId);
  return (
    <>
      {(scales.length > 1 || !scale) && (
        <Select
          aria-label={t('path.ruleScale')}
          className="max-w-60"
          value={when.questionId}
          onChange={({ target }) => onChange({ ...when, questionId: target.value })}
        >
          {!scale && <option value={when.questionId}>…</option>}
          {scales.map(({ id, stem }) => (
            <option key={id} value={id}>
              {stem}
            </option>
          ))}
        </Select>
      )}
      <TextInput
        type="number"
        aria-label={label}
        className="h-9 w-20 px-2 font-mono text-14"
        {...(scale ? { min: scale.least, max: scale.most, step: scale.step } : {})}
        value={when.value}
        onChange={({ target }) => {
          if (Number.isFinite(target.valueAsNumber)) onChange({ ...when, value: target.valueAsNumber });
        }}
      />
    </>
  );
}
