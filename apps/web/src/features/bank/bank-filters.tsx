import type { BankItem } from '@semita/core/contract';
import { Search } from 'lucide-react';
import { Select, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { type BankFilter, type BankOrder, tagsOf, targetsOf } from './filter-bank.ts';
import './words.ts';

interface Props {
  readonly items: readonly BankItem[];
  readonly filter: BankFilter;
  readonly onChange: (filter: BankFilter) => void;
}

/** What to look for in the bank: words, a tag, a learning target; and in which order. */
export function BankFilters({ items, filter, onChange }: Props) {
  const tags = tagsOf(items);
  const targets = targetsOf(items);
  return (
    <div className="flex flex-wrap items-center gap-2">
      <div className="relative grow">
        <Search aria-hidden className="absolute top-2.5 left-2.5 size-4 text-quiet" strokeWidth={1.75} />
        <TextInput
          type="search"
          aria-label={t('bank.search')}
          placeholder={t('bank.search')}
          className="h-9 min-w-40 pl-8 text-14"
          value={filter.text}
          onChange={(event) => onChange({ ...filter, text: event.target.value })}
        />
      </div>
      {tags.length > 0 && (
        <Filter
          label={t('bank.tag')}
          value={filter.tag}
          options={[['', t('bank.anyTag')], ...tags.map((tag) => [tag, tag] as const)]}
          onChange={(tag) => onChange({ ...filter, tag })}
        />
      )}
      {targets.length > 0 && (
        <Filter
          label={t('bank.target')}
          value={filter.target}
          options={[['', t('bank.anyTarget')], ...targets.map((target) => [target, target] as const)]}
          onChange={(target) => onChange({ ...filter, target })}
        />
      )}
      <Filter<BankOrder>
        label={t('bank.order')}
        value={filter.order}
        options={(['newest', 'hardest', 'easiest'] as const).map((order) => [order, t(`bank.orderOf.${order}`)])}
        onChange={(order) => onChange({ ...filter, order })}
      />
    </div>
  );
}

interface FilterProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
}

/** One of the filters. */
function Filter<T extends string>({ label, value, options, onChange }: FilterProps<T>) {
  return (
    <Select
      aria-label={label}
      className="max-w-56"
      value={value}
      onChange={(event) => onChange(event.target.value as T)}
    >
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </Select>
  );
}
