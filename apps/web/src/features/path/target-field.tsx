import { firstWords, type Lesson, stopsInOrder, type Target } from '@semita/core';
import { Select } from '../../ui/field.tsx';
import { formatPlace } from '../../words/place.ts';
import { t } from '../../words/words.ts';

interface Props {
  readonly label: string;
  readonly lesson: Lesson;
  readonly target: Target;
  /** Ways that are offered besides parts and stops. */
  readonly others: readonly Exclude<Target['kind'], 'part'>[];
  readonly onChange: (target: Target) => void;
}

/** Where a way leads: a part, a stop in one, or what comes next anyway. */
export function TargetField({ label, lesson, target, others, onChange }: Props) {
  const value = target.kind === 'part' ? JSON.stringify([target.partId, target.stopId ?? null]) : target.kind;
  const isGone = target.kind === 'part' && !lesson.parts.some(({ id }) => id === target.partId);
  return (
    <Select
      aria-label={label}
      className="min-w-0 grow"
      value={value}
      onChange={(event) => onChange(readTarget(event.target.value))}
    >
      {isGone && <option value={value}>{t('path.to.gone')}</option>}
      {others.map((kind) => (
        <option key={kind} value={kind}>
          {t(`path.pick.${kind}`)}
        </option>
      ))}
      {lesson.parts.map((part) => (
        <optgroup key={part.id} label={part.title || t('path.untitled')}>
          <option value={JSON.stringify([part.id, null])}>
            {t('path.pick.part', { title: part.title || t('path.untitled') })}
          </option>
          {stopsInOrder(part.stops).map((stop) => (
            <option key={stop.id} value={JSON.stringify([part.id, stop.id])}>
              {t('path.pick.stop', { place: formatPlace(part.kind, stop), words: firstWords(stop).slice(0, 40) })}
            </option>
          ))}
        </optgroup>
      ))}
    </Select>
  );
}

function readTarget(value: string): Target {
  if (!value.startsWith('[')) return { kind: value as Exclude<Target['kind'], 'part'> };
  const [partId, stopId] = JSON.parse(value) as [string, string | null];
  return { kind: 'part', partId, ...(stopId === null ? {} : { stopId }) };
}
