import type { Sheet } from '@semita/core/contract';
import { countNeeds, type Need, type SheetStudent } from '@semita/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { Select } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { rostersOptions } from '../assigning/queries.ts';
import { needStyle } from './sheet-row.tsx';
import './words.ts';

interface NeedsProps {
  readonly sheet: Sheet;
  /** Those whom the needs are counted of. */
  readonly students: readonly SheetStudent[];
  readonly chosen: ReadonlySet<Need>;
  readonly onChange: (chosen: ReadonlySet<Need>) => void;
}

/** How many need what; pressed, only those are shown. */
export function NeedFilter({ sheet, students, chosen, onChange }: NeedsProps) {
  return (
    <fieldset className="flex flex-wrap gap-1.5">
      <legend className="sr-only">{t('sheet.needs')}</legend>
      {countNeeds(students, sheet).map(({ need, count }) => (
        <button
          key={need}
          type="button"
          aria-pressed={chosen.has(need)}
          onClick={() => {
            const next = new Set(chosen);
            if (!next.delete(need)) next.add(need);
            onChange(next);
          }}
          className={joinClasses(
            'min-h-7 rounded-full border px-3 text-13 font-medium',
            chosen.has(need) ? 'border-main' : 'border-transparent hover:border-edge',
            needStyle[need],
          )}
        >
          {t(`need.${need}`)} <span className="font-mono">{count}</span>
        </button>
      ))}
    </fieldset>
  );
}

interface ScopeProps {
  readonly scope: string | null;
  readonly onChange: (scope: string | null) => void;
}

/** The students of a class, or of a group of one; null for all of them. */
export function useScope(scope: string | null): ReadonlySet<string> | null {
  const rosters = useQuery(rostersOptions());
  if (scope === null || !rosters.data) return null;
  for (const { id, students, groups } of rosters.data) {
    if (id === scope) return new Set(students.map((student) => student.id));
    const group = groups.find((one) => one.id === scope);
    if (group) return new Set(group.studentIds);
  }
  return null;
}

/** Only one class, or one group; offered where there is more than one to choose. */
export function ScopeFilter({ sheet, scope, onChange }: ScopeProps & { readonly sheet: Sheet }) {
  const rosters = useQuery(rostersOptions());
  const here = new Set(sheet.students.map(({ studentId }) => studentId));
  const classes = (rosters.data ?? []).filter(({ students }) => students.some(({ id }) => here.has(id)));
  const options = classes.flatMap(({ id, name, groups }) => [
    ...(classes.length > 1 ? [{ id, name }] : []),
    ...groups.filter(({ studentIds }) => studentIds.some((one) => here.has(one))),
  ]);
  if (options.length === 0) return null;
  return (
    <Select
      className="h-8"
      aria-label={t('sheet.scope')}
      value={scope ?? ''}
      onChange={({ target }) => onChange(target.value || null)}
    >
      <option value="">{t('sheet.everybody')}</option>
      {options.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
}
