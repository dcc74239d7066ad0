import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { CheckInput } from '../../ui/check-input.tsx';
import { ClassMark } from '../../ui/class-mark.tsx';
import { t } from '../../words/words.ts';
import { type Chosen, chooseFrom, type Roster } from './given-to.ts';
import './words.ts';

interface Props {
  readonly rosters: readonly Roster[];
  readonly chosen: readonly Chosen[];
  readonly onChange: (chosen: readonly Chosen[]) => void;
}

/** Classes, their groups and single students, as many as there are. */
export function ToWhom({ rosters, chosen, onChange }: Props) {
  const has = (kind: Chosen['kind'], id: string) => chosen.some((one) => one.kind === kind && one.id === id);
  const toggle = (roster: Roster, kind: Chosen['kind'], id: string) =>
    onChange(
      has(kind, id)
        ? chosen.filter((one) => one.kind !== kind || one.id !== id)
        : [...chosen, chooseFrom(roster, kind, id)],
    );
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-14 font-medium">{t('assign.to')}</legend>
      <ul className="divide-y divide-line rounded-card border border-line">
        {rosters.map((roster) => (
          <OfClass key={roster.id} roster={roster} has={has} onToggle={(kind, id) => toggle(roster, kind, id)} />
        ))}
      </ul>
    </fieldset>
  );
}

interface OfClassProps {
  readonly roster: Roster;
  readonly has: (kind: Chosen['kind'], id: string) => boolean;
  readonly onToggle: (kind: Chosen['kind'], id: string) => void;
}

function OfClass({ roster, has, onToggle }: OfClassProps) {
  const { id, name, students, groups } = roster;
  const some =
    groups.filter((one) => has('group', one.id)).length + students.filter((one) => has('student', one.id)).length;
  const [isOpen, setIsOpen] = useState(some > 0);
  const Arrow = isOpen ? ChevronDown : ChevronRight;
  return (
    <li className="px-3 py-2">
      <div className="flex flex-wrap items-center gap-x-4">
        <div className="grow">
          <CheckInput checked={has('class', id)} label={name} onChange={() => onToggle('class', id)}>
            <ClassMark {...roster} className="size-7" />
            <span className="text-16 font-medium">{name}</span>
            <span className="text-quiet">{t('assign.studentCount', { count: students.length })}</span>
          </CheckInput>
        </div>
        <button
          type="button"
          aria-expanded={isOpen}
          className="flex items-center gap-1 rounded-control px-2 py-1 text-14 hover:bg-main-tint"
          aria-label={t('assign.someOf', { name })}
          onClick={() => setIsOpen(!isOpen)}
        >
          <Arrow aria-hidden className="size-4" strokeWidth={1.75} />
          {some > 0 ? t('assign.someChosen', { count: some }) : t('assign.some')}
        </button>
      </div>
      {isOpen && (
        <div className="mt-2 grid gap-3 pl-6">
          {groups.length > 0 && (
            <div className="flex flex-wrap gap-x-5 gap-y-1">
              {groups.map((group) => (
                <CheckInput
                  key={group.id}
                  checked={has('group', group.id)}
                  label={t('assign.groupOf', { name: group.name, class: name })}
                  onChange={() => onToggle('group', group.id)}
                >
                  {t('assign.group', { name: group.name, count: group.studentIds.length })}
                </CheckInput>
              ))}
            </div>
          )}
          <div className="grid max-h-44 grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-5 gap-y-1 overflow-y-auto">
            {students.map((student) => (
              <CheckInput
                key={student.id}
                checked={has('student', student.id)}
                onChange={() => onToggle('student', student.id)}
              >
                {student.displayName}
              </CheckInput>
            ))}
          </div>
        </div>
      )}
    </li>
  );
}
