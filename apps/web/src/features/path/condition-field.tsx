import type { RulePick } from '@semita/core/checks';
import type { RuleCondition } from '@semita/core/lesson';
import { confidences, type SliderQuestion } from '@semita/core/question';
import { Select, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { confidenceWords } from '../question/sure-field.tsx';
import './words.ts';

export interface PickRow extends RulePick {
  readonly questionId: string;
}

/** What a condition of a kind begins as. */
export function conditionOf(
  kind: RuleCondition['kind'],
  pick?: PickRow,
  scale?: SliderQuestion,
  group = '',
): RuleCondition {
  if (kind === 'inGroup') return { kind, group };
  if (kind === 'picked') return { kind, questionId: pick?.questionId ?? '', optionId: pick?.optionId ?? '' };
  if (kind === 'scaleBelow' || kind === 'scaleFrom')
    return { kind, questionId: scale?.id ?? '', value: scale ? middleOf(scale) : 0 };
  return kind === 'confidenceAtMost' ? { kind, confidence: 2 } : { kind, percent: 60 };
}

/** The same mark seen from its other side: what was set stays. Null where a kind asks for something else. */
export function otherSide(when: RuleCondition, kind: RuleCondition['kind']): RuleCondition | null {
  if ('percent' in when && (kind === 'scoreBelow' || kind === 'scoreFrom')) return { ...when, kind };
  if ('value' in when && (kind === 'scaleBelow' || kind === 'scaleFrom')) return { ...when, kind };
  return null;
}

/** The step next to the middle of a scale, where the sides part. */
const middleOf = ({ min, max, step }: SliderQuestion) =>
  min + Math.ceil((max - min) / 2 / Math.max(step, Number.EPSILON)) * step;

interface ConditionProps {
  readonly label: string;
  readonly when: RuleCondition;
  readonly picks: readonly PickRow[];
  readonly scales: readonly SliderQuestion[];
  readonly groups: readonly string[];
  readonly onChange: (when: RuleCondition) => void;
}

/** What a condition asks for: an answer, a value, points, how sure, or a group. */
export function ConditionField({ label, when, picks, scales, groups, onChange }: ConditionProps) {
  if (when.kind === 'picked') {
    const value = JSON.stringify([when.questionId, when.optionId]);
    const isThere = picks.some((pick) => pick.questionId === when.questionId && pick.optionId === when.optionId);
    return (
      <Select
        aria-label={label}
        className="max-w-60"
        value={value}
        onChange={(event) => {
          const [questionId = '', optionId = ''] = JSON.parse(event.target.value) as string[];
          onChange({ kind: 'picked', questionId, optionId });
        }}
      >
        {!isThere && <option value={value}>{t('path.answerGone')}</option>}
        {picks.map(({ questionId, optionId, text }) => (
          <option key={`${questionId} ${optionId}`} value={JSON.stringify([questionId, optionId])}>
            {text}
          </option>
        ))}
      </Select>
    );
  }
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
  if (when.kind === 'confidenceAtMost')
    return (
      <Select
        aria-label={label}
        value={when.confidence}
        onChange={(event) => {
          const confidence = confidences.find((one) => one === Number(event.target.value));
          if (confidence) onChange({ kind: 'confidenceAtMost', confidence });
        }}
      >
        {confidences.map((sure) => (
          <option key={sure} value={sure}>
            {confidenceWords(sure)}
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
          {!scale && <option value={when.questionId}>{t('path.scaleGone')}</option>}
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
        {...(scale ? { min: scale.min, max: scale.max, step: scale.step } : {})}
        value={when.value}
        onChange={({ target }) => {
          if (Number.isFinite(target.valueAsNumber)) onChange({ ...when, value: target.valueAsNumber });
        }}
      />
    </>
  );
}
