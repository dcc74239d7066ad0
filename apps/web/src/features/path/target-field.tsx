import {
  firstWords,
  hasMaterial,
  type Lesson,
  type MaterialPart,
  type Part,
  type PartTarget,
  stopsInOrder,
  type Target,
} from '@semita/core/lesson';
import { anchorAt } from '@semita/core/reading';
import { useQuery } from '@tanstack/react-query';
import { memo } from 'react';
import { Select, TextInput } from '../../ui/field.tsx';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { TimeField } from '../lesson-parts/time-field.tsx';
import { contentOptions, contentScript } from '../reading/content.ts';
import './words.ts';

interface Props {
  readonly label: string;
  readonly lesson: Lesson;
  readonly target: Target;
  /** Ways that are offered besides parts and stops. */
  readonly others: readonly Exclude<Target['kind'], 'part'>[];
  readonly onChange: (target: Target) => void;
}

/** Where a way leads: a part, a stop or another place in one, or what comes next anyway. */
export function TargetField({ label, lesson, target, others, onChange }: Props) {
  const value = optionOf(target);
  const part = target.kind === 'part' ? lesson.parts.find(({ id }) => id === target.partId) : undefined;
  const isStopGone = target.kind === 'part' && target.stopId !== undefined && !hasStop(part, target.stopId);
  const isGone = isStopGone || (target.kind === 'part' && !part);
  return (
    <>
      <Select
        aria-label={label}
        className="min-w-0 grow basis-40"
        value={value}
        onChange={(event) => onChange(readTarget(event.target.value, lesson))}
      >
        {isGone && <option value={value}>{t('path.to.gone')}</option>}
        {others.map((kind) => (
          <option key={kind} value={kind}>
            {t(`path.pick.${kind}`)}
          </option>
        ))}
        {lesson.parts.map((one) => (
          <PartOptions key={one.id} part={one} />
        ))}
      </Select>
      {target.kind === 'part' && target.at && part && hasMaterial(part) && (
        <PlaceField label={t('path.placeOf', { of: label })} {...{ part, target, onChange }} />
      )}
    </>
  );
}

/** A part, its stops, and any other place in it. Drawn anew only when it changes: a long lesson has very many. */
const PartOptions = memo(function PartOptions({ part }: { readonly part: Part }) {
  const title = part.title || t('path.untitled');
  return (
    <optgroup label={title}>
      <option value={JSON.stringify([part.id, null])}>{t('path.pick.part', { title })}</option>
      {stopsInOrder(part.stops).map((stop) => (
        <option key={stop.id} value={JSON.stringify([part.id, stop.id])}>
          {t('path.pick.stop', { place: formatPosition(part.kind, stop), words: firstWords(stop).slice(0, 40) })}
        </option>
      ))}
      {hasMaterial(part) && (
        <option value={JSON.stringify([part.id, placeMark])}>{t('path.pick.place', { title })}</option>
      )}
    </optgroup>
  );
});

/** Stands for a place that is told beside the list. */
const placeMark = ':place';

const hasStop = (part: Part | undefined, stopId: string) => part?.stops.some(({ id }) => id === stopId) ?? false;

function optionOf(target: Target): string {
  if (target.kind !== 'part') return target.kind;
  return JSON.stringify([target.partId, target.at ? placeMark : (target.stopId ?? null)]);
}

function readTarget(value: string, lesson: Lesson): Target {
  if (!value.startsWith('[')) return { kind: value as Exclude<Target['kind'], 'part'> };
  const [partId, place] = JSON.parse(value) as [string, string | null];
  const begins = lesson.parts.find(({ id }) => id === partId)?.inMs ?? 0;
  if (place === placeMark) return { kind: 'part', partId, at: { atMs: begins } };
  return { kind: 'part', partId, ...(place === null ? {} : { stopId: place }) };
}

interface PlaceProps {
  readonly label: string;
  readonly part: MaterialPart;
  readonly target: PartTarget;
  readonly onChange: (target: Target) => void;
}

/** A place in a part: a time of a film, the number of a paragraph or of a slide. */
function PlaceField({ label, part, target, onChange }: PlaceProps) {
  if (part.kind !== 'clip') return <LineField {...{ label, part, target, onChange }} />;
  return (
    <TimeField
      label={label}
      isLabelHidden
      refusal={t('path.placeOutside')}
      valueMs={target.at?.atMs ?? part.inMs}
      onChange={(atMs) => {
        if (atMs < part.inMs || atMs >= part.outMs) return false;
        onChange({ ...target, at: { atMs } });
        return true;
      }}
    />
  );
}

function LineField({ label, part, target, onChange }: PlaceProps) {
  const content = useQuery(contentOptions(part.materialId));
  const lines = content.data ? contentScript(content.data) : [];
  const first = lines.findIndex(({ startMs }) => startMs >= part.inMs);
  const inWindow = lines.filter(({ startMs }) => startMs >= part.inMs && startMs < part.outMs);
  const number = lines.findLastIndex(({ startMs }) => startMs <= (target.at?.atMs ?? 0)) + 1;
  return (
    <span className="flex items-center gap-1 text-14">
      {t(part.kind === 'reading' ? 'path.fromBlock' : 'path.fromSlide')}
      <TextInput
        type="number"
        aria-label={label}
        className="h-9 w-18 px-2 font-mono text-14"
        min={first + 1}
        max={first + inWindow.length}
        value={number}
        onChange={(event) => {
          const next = event.target.valueAsNumber;
          const line = lines[next - 1];
          if (!line || !inWindow.includes(line)) return;
          onChange({ ...target, at: { atMs: line.startMs, anchor: anchorAt(lines, next - 1) } });
        }}
      />
    </span>
  );
}
